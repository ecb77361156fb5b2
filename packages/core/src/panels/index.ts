export { assemble, type Draft, type JointDraft, meet, wood } from './assemble.js';
export type { BuiltBox, Derived } from './built-box.js';
export { cutWords } from './cut-words.js';
export { type PanelChange, panelChanges } from './diff.js';
export { FASTENERS, fastenerById, fastenerFor } from './fasteners.js';
export { holeSize, rim } from './features.js';
export { instanceVolume, measuresOf, weightOf } from './measures.js';
export type { PanelDraft } from './panel-from-solid.js';
export { panelNames, partName, plainName } from './panel-names.js';
export type {
  Cavity,
  Feature,
  Fitting,
  Opening,
  Panel,
  PanelInstance,
  PanelSet,
} from './panel-set.js';
export { stavesOf } from './staves.js';
export { LATCH, PIVOT, swingGap, swingRise, swingRiseUnderSlope } from './swing.js';
