export { boardDrawing } from './board-drawing.js';
export { type Drawing, extentOf, type Layer, stacked } from './drawing.js';
export { loadDxf, loadPdf } from './load-writers.js';
export {
  type DrawnOption,
  drawOption,
  type OptionPicture,
  smallPicture,
} from './option-picture.js';
export { type PanelSheet, panelDrawing, panelSheet, templateOf } from './panel-drawing.js';
export { viewPicture } from './picture.js';
export { type BoxViewName, VIEW_TITLES, viewDrawing } from './view-drawing.js';
export { behindSection, type DrawnFace, frontView, middleSection, sectionX } from './views.js';
export { drawingSvg } from './writers/svg.js';
