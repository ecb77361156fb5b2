export { areaOf } from './area.js';
export { type Bounds, boundsMeet, boundsOf } from './bounds.js';
export { chordAt, crossing } from './chord.js';
export { band, intersectPolygons, subtractPolygon } from './clip.js';
export { containsAll } from './contains.js';
export { type Point, rectangleAt } from './point.js';
export { type Turn, turnPoint } from './turn.js';
export { inscribed, moveZone, transformZone, type Zone, zoneBounds, zoneOutline } from './zone.js';
