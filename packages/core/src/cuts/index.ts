export {
  leftToSaw,
  type PlannedAgain,
  planAgain,
  type Sawing,
  wantedParts,
  woodInUse,
} from './again.js';
export {
  type CutAtHand,
  cutAt,
  cutAtHand,
  cutKey,
  cutsInOrder,
  inStack,
  lastCut,
} from './at-hand.js';
export { type BoardCut, boardCuts } from './board-cuts.js';
export { type FaceUp, type Lie, leftEnd, type Side, seenAt } from './fence.js';
export { firstCuts } from './first-cuts.js';
export { largestClear } from './largest-rectangle.js';
export { type Learned, learnedCosts, type SawnPlan, type StepTime, timesOf } from './log.js';
export { type Axis, type End, measured, sizeOf, type Verdict } from './measured.js';
export { liesIn, type PieceThere, piecesAtHand, wholeOf } from './pieces-at-hand.js';
export {
  type ChangeCosts,
  type CutPlan,
  type CutProblem,
  changeMinutes,
  type PlannedBoard,
  type PlannedCuts,
  planCuts,
  type Shop,
  type Step,
  type StepCut,
  USUAL_COSTS,
} from './plan-cuts.js';
export { type Preparation, preparations } from './preparing.js';
export {
  type Copy,
  copyKey,
  cutName,
  leavesOf,
  lostCuts,
  lostParts,
  madeParts,
  type NamedBoard,
  type NamedCut,
  type NamedPiece,
  type NamedPlan,
  type NamedStep,
  NO_PROGRESS,
  named,
  namedBoards,
  namedPlan,
  type Progress,
  type ProgressProblem,
  partsIn,
  pieceName,
  progressProblems,
  type Rect,
  type Ruined,
  type SawnBoard,
  sawnBoards,
} from './progress.js';
export { type KeptPiece, type Left, type RemainOptions, remainingJob } from './remain.js';
export {
  HAND_MIN,
  isWithin,
  limitsOf,
  type OwnedSaw,
  onScale,
  reachOfSaws,
  SAW_KINDS,
  type SawKind,
  type ShopSaw,
  sawsFor,
  scaleOff,
  shopSaws,
  type Tool,
} from './saws.js';
export { type SeenAtSaw, type SeenLeaf, seenAtSaw } from './seen-at-saw.js';
export { settingsNeeded } from './settings-needed.js';
export { brokenByShort } from './short-panel.js';
export { stavesReady } from './staves-ready.js';
export { boardMarks, type TapeMark } from './tape-marks.js';
export type { Hold } from './ways.js';
