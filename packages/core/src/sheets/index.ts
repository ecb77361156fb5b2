export { boardDrawing } from './board-drawing.js';
export { type Drawing, extentOf, type Layer } from './drawing.js';
export { featureOutline, seenCuts } from './feature-shapes.js';
export { FILE_FORMATS, type FileFormatId, type FileSetting } from './file-formats.js';
export { type BoredSide, holeDrawing, holeTemplate } from './hole-drawing.js';
export { LABEL_SHEETS, type LabelPlace, type LabelSheet, labelPlaces } from './label-sheet.js';
export { type LetteredPiece, letterDrawing } from './letter-drawing.js';
export {
  type DrawnOption,
  drawOption,
  type OptionPicture,
  smallPicture,
} from './option-picture.js';
export { type PanelSheet, panelDrawing, panelSheet, templateOf } from './panel-drawing.js';
export { viewPicture } from './picture.js';
export { asItLies, assembledDrawing, type StepPicture, stepDrawing } from './step-drawing.js';
export { type BoxViewName, VIEW_TITLES, viewDrawing } from './view-drawing.js';
export { behindSection, type DrawnFace, frontView, middleSection, sectionX } from './views.js';
