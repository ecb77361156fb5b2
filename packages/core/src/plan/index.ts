export type { PanelRole, Parameter, PlanDeclaration, Refusal, School } from './declaration.js';
export {
  angle,
  chosen,
  completePlan,
  length,
  middle,
  rolesOf,
  roundingFor,
  school,
  standardChoices,
} from './declare.js';
export { type Entrance, entranceOf, type HoleShape, sillOf, UPRIGHT } from './entrance.js';
export type { BoxPlan, PanelWood } from './plan.js';
export { missingWood, outOfRange } from './ranges.js';
export { recessOf } from './recess.js';
export { changeFamily, startPlan } from './start-plan.js';
