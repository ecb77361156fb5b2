export { accessRule } from './access.js';
export { airRule } from './air.js';
export { backJointRule } from './back-joint.js';
export {
  type Check,
  COMMON,
  forEachAnimal,
  type Held,
  type Kind,
  LEEWAY_MM,
  ofMm,
  ofRange,
  type Rule,
  setChoice,
  setSize,
  within,
} from './check.js';
export { brokenRules, checkBox } from './check-box.js';
export { entranceRule, type Measured, openFrontRule } from './entrance.js';
export { gripRule } from './grip.js';
export { pipeFallRule, pipeSwingRule } from './pipe.js';
export { playRule } from './play.js';
export { floorCheck, roomRule } from './room.js';
export { EVERY_BOX, OPENING, UNDER_A_ROOF } from './rules.js';
export { swingRule } from './swing.js';
export { wallRule } from './walls.js';
export { overhangRule, recessRule } from './weather.js';
