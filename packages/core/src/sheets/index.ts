export { boardDrawing } from './board-drawing.js';
export {
  type BoxViewName,
  type Drawing,
  extentOf,
  type Layer,
  panelDrawing,
  stacked,
  templateOf,
  VIEW_TITLES,
  viewDrawing,
} from './drawing.js';
export { loadDxf, loadPdf } from './load-writers.js';
export { viewPicture } from './picture.js';
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
