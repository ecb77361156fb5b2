export { caulkFor, HOLE_PLATE, METAL, ROOF_COVER } from './bought.js';
export { keyProblems, planFaults } from './conform.js';
export {
  about,
  angle,
  applying,
  type Choice,
  type ChoiceDeclaration,
  type ChoiceDeclarations,
  type Chosen,
  inWords,
  length,
  type Option,
  oneOf,
  type PanelRole,
  type Parameter,
  type PlanDeclaration,
  type PlanOf,
  type RoleDeclaration,
  type RoleDeclarations,
  type SizeDeclarations,
  since,
} from './declaration.js';
export { middle, type Rounding, roundingFor, standardChoices } from './defaults.js';
export { type EarlierPlan, fromEarlier, type PlanNote, withLater } from './earlier-plan.js';
export {
  type Entrance,
  type EntrancePlan,
  entranceOf,
  type HoleShape,
  isUpright,
  sillOf,
} from './entrance.js';
export { FASTENING_CHOICES, FASTENING_SIZES } from './fastening.js';
export { HANGING_WAYS, HANGING_WORDS, type HangingWay, isHangingWay } from './hanging.js';
export { keepsOutside } from './kept-measure.js';
export {
  type BoxPlan,
  CLIMATES,
  COVERS,
  doubledWoodOf,
  type Finish,
  hasRoughFace,
  MOUNTS,
  type PanelWood,
  type Place,
  panelWoodOf,
  sawnThickness,
  UNKNOWN_PLACE,
} from './plan.js';
export { PlanFault } from './plan-fault.js';
export { type RecessPlan, recessOf } from './recess.js';
export type { Refusal } from './refusal.js';
export { changeFamily, startPlan } from './start-plan.js';
