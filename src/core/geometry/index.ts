export { add, sub, scale, dot, cross, norm, unit, distance, type Vec } from './vec';
export { boxOf, boxSize, boxCentre, union, type Box } from './box';
export { axisGaps, boxGap, insideGap } from './distance';
export {
  axisOf,
  bodyGap,
  bodyGapUpTo,
  bodiesMeet,
  boxCylinderGap,
  cylinderBox,
  cylinderFrom,
  cylinderGap,
  cylinderIn,
  roundBody,
  roundIn,
  type Body,
  type Cylinder,
} from './cylinder';
export { UPRIGHT, directionIn, pointIn, boxIn, type Frame } from './frame';
export { cellsOf, cornersIn, isAlongAxes, middleIn, tiltedFrame, type Tilt } from './tilt';
export { pairMemo } from './pairMemo';
export { BoxTree } from './boxTree';
export { capsule, convexGap, orientedBox, slantedCylinder, type Convex } from './convex';
export { closestPoints, nearestInBox, nearestInCylinder } from './closest';
export { hatchOf, sectionOf, type SectionArea } from './section';
