export {
  type BoardKind,
  DEFECT_KINDS,
  DEFECT_NAMES,
  type Defect,
  type DefectKind,
  type Face,
  liesOnBoard,
  mustBeCutAway,
} from './board.js';
export {
  MATERIALS,
  type Material,
  materialByWord,
  materialDensity,
  materialName,
} from './material.js';
export { NOMINAL_SIZES, type NominalSize } from './nominal.js';
export { type ParsedEntry, parseRackLine, type RackEntry } from './quick-entry.js';
export { Unread, unread } from './unread.js';
