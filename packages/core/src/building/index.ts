export { type BoxSide, OPPOSITE } from './assembly/putting.js';
export {
  ASSEMBLY_SCHOOLS,
  type AssemblySchool,
  SCHOOL_WORDS,
} from './assembly/schools.js';
export type { AssemblyStep, StepJoint } from './assembly/steps.js';
export { BIT_KINDS, BIT_NAMES, type Bit, boringOf, USUAL_BITS } from './bits.js';
export { type Body, bodiesOf, inBox, keyOf, planeOf } from './bodies.js';
export { SHOP_CAUTIONS } from './cautions.js';
export { type DryFitLook, dryFit, type ThicknessEffect, thicknessEffects } from './dry-fit.js';
export type { Hanging, WaySuits } from './hanging/hanging.js';
export { type Site, USUAL_SITE } from './hanging/way-parts.js';
export type { Coats } from './hardware/covered.js';
export { glueLine } from './hardware/glued.js';
export { hardwareOf } from './hardware/hardware-of.js';
export { amountOf, type HardwareLine } from './hardware/line.js';
export type { BitUse } from './holes/bit-for.js';
export { faceWords } from './holes/face-words.js';
export { type BoredFace, type FromEdge, HOLE_USES, type Hole, type HoleUse } from './holes/hole.js';
export { type HardwareCount, kitItems } from './items.js';
export { type LetterMark, letterMarks } from './letter-marks.js';
export type { Letter } from './letters.js';
export { type BuildCosts, type BuildTimes, USUAL_BUILD_COSTS, type Wait } from './minutes.js';
export {
  type BoredHole,
  type BuildChoices,
  type BuildPlan,
  planBuild,
  stepKey,
  USUAL_BUILD,
} from './plan-build.js';
export type { BuildProblem } from './problems.js';
export { outsideArea } from './surfaces.js';
export type { Weights } from './weights.js';
