export {
  areaVector,
  type Contact,
  type ConvexSolid,
  chordThrough,
  clipFace,
  common,
  contactsOf,
  cornersOf,
  depthAlong,
  faceArea,
  type SolidFace,
  sharedFaceArea,
  solidInside,
  volumeOf,
} from './convex-solid.js';
export { atLeast, atMost, behind, between, distanceTo, type HalfSpace } from './half-space.js';
export { add, cross, dot, lengthOf, negate, scale, subtract, unit, type Vec3 } from './vector.js';
