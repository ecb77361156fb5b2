export { checkLayout } from './checker/check.js';
export type { Violation } from './checker/violation.js';
export { type Goals, STANDARD_CLASSES, STANDARD_GOALS } from './goals.js';
export type { KeptOffcut, LaidBoard, Layout, SearchControl, Unplaced } from './layout.js';
export { patternOf } from './pattern.js';
export { movedToPins, sortPins, whyNot } from './pins.js';
export { moverOf, placePart } from './placed.js';
export { bestFit, isLargeEnough } from './search/best-fit.js';
export { fillOne } from './search/one-board.js';
export { type Bounds, type Known, type Proven, type Prover, proverFor } from './search/prover.js';
export { searchLayout, searchSteps } from './search/search.js';
export { boardTree, targetsOf } from './separation/board-tree.js';
export {
  chordOf,
  cutWood,
  kerfOnFace,
  leftOfCut,
  NOTHING,
  reachOf,
  type SawCut,
  type Wood,
} from './separation/saw-cut.js';
export { tiltOf } from './separation/saw-limits.js';
export type { CutTree, FreeCut, ThroughCut, TreeCut, TreePiece } from './separation/separate.js';
export { layoutBought, type Purchase, piecesBought, shoppingList, totalOf } from './shopping.js';
export { isSamePiece, snapToNeighbours } from './snap.js';
export { type Highs, highsSolver } from './solver/highs.js';
export type { LinearModel, LinearSolver } from './solver/linear.js';
export { aboveBest, costByPart, countCuts, shortPieces, usedCost, worthOf } from './summary.js';
