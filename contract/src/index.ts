export * from './bench';
export * from './formerNames';
export * from './parts';
export * from './people';
export * from './problem';
export * from './record';
export * from './roles';
export * from './shopFile';
