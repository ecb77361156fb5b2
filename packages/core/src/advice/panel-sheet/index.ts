export {
  fitPanelSheet,
  type SheetFit,
  type SheetQuestion,
  sheetLacks,
} from './fit-sheet.js';
export {
  type PanelSheet,
  readPanelSheet,
  type SheetLine,
  type SheetProblem,
} from './read-sheet.js';
export type { Misfit } from './sheet-fitter.js';
