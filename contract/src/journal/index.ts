export * from './entries';
export { instant, partId, revisionsSchema, standsSchema } from './fields';
export { photoMarksSchema } from './kinds/marks';
