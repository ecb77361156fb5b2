export {
  fitPanelSheet,
  type Misfit,
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
