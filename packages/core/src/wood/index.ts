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
  ASSUMABLE,
  type Assumed,
  facesSeen,
  factsOf,
  isAssumed,
  stillAssumed,
  treatmentRefused,
  type WoodFacts,
  woodRefused,
} from './facts.js';
export {
  isSheet,
  MATERIALS,
  type Material,
  materialById,
  materialDensity,
  materialIn,
  materialName,
} from './material.js';
export { NOMINAL_SIZES, type NominalSize } from './nominal.js';
export { type AskedWood, type ParsedEntry, parseRackLine, type RackEntry } from './quick-entry.js';
export { usualFaces } from './said.js';
export { Unread, unread } from './unread.js';
