export {
  areaOf,
  circleThrough,
  extentOf,
  isInside,
  outlineCorners,
  outlinePath,
  type Extent,
  type Point2,
} from './outline';
export { PRESSED } from './pressed';
