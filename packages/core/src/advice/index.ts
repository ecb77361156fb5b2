export { type BoardsAtHand, findWood, woodGroups } from './find-wood.js';
export { type FitOffer, type FitQuestion, fitOffers } from './fit.js';
export { type LumberOffer, lumberOffers } from './lumber.js';
export {
  fitPanelSheet,
  type Misfit,
  type PanelSheet,
  readPanelSheet,
  type SheetFit,
  type SheetProblem,
  type SheetQuestion,
  sheetLacks,
} from './panel-sheet/index.js';
export { type RippedSticks, ripSticks } from './rip-sticks.js';
export { pieceFor, type SoMany, type SoManyQuestion, soManyToABoard } from './so-many.js';
export {
  type BuyQuestion,
  type WayToBuy,
  type WhatToBuy,
  type WoodGiven,
  whatToBuy,
} from './what-to-buy.js';
