export { areaOf, extentOf, isInside, outlineCorners, outlinePath, type Extent, type Point2 } from './outline';
export { PRESSED } from './pressed';
