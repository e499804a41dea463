export * from './cutStock';
export * from './stockOf';
export * from './needs';
