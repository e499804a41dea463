export * from './learnTimes';
