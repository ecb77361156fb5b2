export { asManyAsNeeded } from './as-many-as-needed.js';
export { boxNumber } from './box-number.js';
export {
  EDGE_LEEWAY,
  endTrimOf,
  type LayoutJob,
  type Part,
  type PinnedPlacement,
  type Placement,
  priceOf,
  type Saw,
  type Stock,
  suits,
  THICKNESS_LEEWAY,
} from './job.js';
export {
  jobForBoxes,
  panelOfStave,
  panelsAsSawn,
  partsFor,
  STANDARD_SAW,
} from './job-for-boxes.js';
export { type JobQuestion, layoutJob } from './layout-job.js';
export { type MendedBox, newCopies, soundPieces } from './mended.js';
export { jobProblems, type Problem } from './problems.js';
export { pieceOf, type ReadyPieces, readyCopies, sawnCopies } from './ready.js';
export { type BeyondSaw, beyondSaw } from './saw-limits.js';
