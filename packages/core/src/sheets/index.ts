export { boardDrawing } from './board-drawing.js';
export {
  type BoxViewName,
  extentOf,
  type Layer,
  type PaperDrawing,
  panelDrawing,
  stacked,
  templateOf,
  VIEW_TITLES,
  viewDrawing,
} from './drawing.js';
export { loadDxf, loadPdf } from './load-writers.js';
export {
  behindSection,
  belowSection,
  type DrawnFace,
  frontView,
  levelSection,
  middleSection,
  sectionX,
} from './views.js';
export { drawingSvg } from './writers/svg.js';
