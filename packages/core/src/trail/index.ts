export { boxYears, type SeenYear } from './box-years.js';
export { broodOf } from './broods.js';
export { findingsFor, type Stop, whatToCarry } from './carry.js';
export {
  type ClosedTime,
  type DueVisit,
  firstOpen,
  isClosed,
  nextVisit,
  seasonAt,
  VISIT_KINDS,
  type Visited,
  type VisitKind,
} from './due.js';
export { flatPlan, metresBetween, type OnPlan, type TooNear, tooNear } from './near.js';
export {
  MARK_KINDS,
  type MarkKind,
  type NearMark,
  nearMarks,
  type TrailMark,
} from './near-marks.js';
export { type AskedFor, type NextWinter, nextWinter, SEASON_SAYS } from './next-winter.js';
export {
  type BoxYear,
  FEW,
  SEASON_KEYS,
  type SeasonKey,
  type SeasonRow,
  type Share,
  seasonBy,
  shareOf,
} from './season.js';
export { fitSketch, type KnownSpot, type SketchFit } from './sketch.js';
export {
  type Coordinates,
  FACINGS,
  type Facing,
  FINDINGS,
  type Finding,
  LIVED_IN,
  type Mount,
  type TrailBox,
  UNTOLD_BOX,
  type Visit,
} from './trail.js';
export { shortWalk, type Walk } from './walk.js';
