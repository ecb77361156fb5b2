export { assemble } from './assemble.js';
export { type BuiltBox, type Derived, derivedLength } from './built-box.js';
export { cutWords } from './cut-words.js';
export { type PanelChange, panelChanges } from './diff.js';
export { type BoxDraft, type Draft, type JointDraft, meet, wood } from './draft.js';
export { HOLDS_IN_EDGE } from './fasten.js';
export {
  COVER,
  FASTENERS,
  type Fastener,
  fastenerById,
  fastenerFor,
  fitsJoint,
} from './fasteners.js';
export { clearOpening, holeRise, holeSize, rim } from './features.js';
export { HEAD_ROOM, standsBefore } from './head-room.js';
export { layerScrews, layersOf } from './layers.js';
export { instanceVolume, measuresOf, weightOf } from './measures.js';
export { edgeName, panelNames, partName, plainName, withoutHand } from './panel-names.js';
export type {
  Cavity,
  Feature,
  Fitting,
  HoleKind,
  Joint,
  JointKind,
  Opening,
  OpeningKind,
  Panel,
  PanelCopy,
  PanelEdge,
  PanelInstance,
  PanelSet,
} from './panel-set.js';
export { pieceKey } from './piece-key.js';
export { stavesOf } from './staves.js';
export { swingGap, swingRise, swingRiseUnderSlope } from './swing.js';
