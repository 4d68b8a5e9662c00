export { alikeRuns, runAt, runsOf, withAlike } from './alike';
export { type Annulus, effectiveRodMm } from './annulus';
export type { BondLine } from './bond-line';
export type { CastCopy } from './cast-copy';
export type { Cavity } from './cavity';
export { type Chase, unionMm2 } from './chase-run';
export type { Coat } from './coat';
export { courseOf, type PartOfPlace } from './course';
export * from './doubt';
export { arc, rect } from './draw';
export { BREAKS } from './edge';
export { filletMm2 } from './fillet';
export { shapeInInches } from './in-inches';
export { inPlace, type Lying, layerInPlace } from './in-place';
export { jointShare } from './joints';
export { rowsFromText, unitOver } from './list-text';
export { isThread, type ListedSize, type ListedSizes, type SizedShape, shapeFor, sizedShape, sizesIn } from './listed';
export * from './measure';
export * from './measured';
export { bedMm, notchMm2 } from './notched-bed';
export { cornersOf, inside, outlineArea, type PlanOutline, parsePoints, perimeterMm, signedAreaMm2 } from './outline';
export { type Patch, surfaceOf } from './patch-depths';
export { type PictureScale, scaleByDistance, scaleByRectangle, tracedOutline } from './picture';
export * from './places';
export type { Point } from './point';
export { contourLevels, contoursOf, nextReading, oddReadings, profileAt } from './readings';
export { GRAVITY, isRing, levels, partSeatedMl, type Ring } from './ring';
export { isScanned, rimOf, type Scanned, scannedShape, unpack } from './scanned';
export * from './setting-out';
export {
  BROKE,
  type BrokeId,
  type Dimension,
  type DimensionLine,
  type Drawing,
  type Faces,
  type KeptOpen,
  type Notice,
  type Outline,
  type Parameter,
  parameterObjection,
  problemsOf,
  type RowList,
  type Shape,
  withValue,
} from './shape';
export * from './shapes';
export { SIZE_IDS, SIZES, type SizeId } from './sizes';
export { withStandIns } from './stand-ins';
export {
  type DepthSurface,
  depthSurface,
  type Edge,
  type EdgeLaws,
  edgeLaws,
  type Reading,
  volumeBelowMl,
} from './surface';
export * from './void-drawing';
export { widened } from './widened';
