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
export { type BatchCost, batchCost } from './costs/batch-cost.js';
export {
  type BatchWork,
  backFrom,
  type CalendarEntry,
  type CalendarStage,
  type Day,
  daysAfter,
  daysBetween,
  nextUpBy,
  onFrom,
} from './costs/calendar.js';
export { type Need, needsOf } from './costs/needs.js';
export { type StandIn, standIns } from './costs/stand-ins.js';
export {
  metalDoubt,
  SUPPLY_UNITS,
  type Supply,
  type SupplyUnit,
  supplyItem,
  supplyUnit,
  WEATHER_CLASSES,
  type WeatherClass,
} from './costs/supplies.js';
export { type DryFitLook, dryFit, type ThicknessEffect, thicknessEffects } from './dry-fit.js';
export type { Hanging, WaySuits } from './hanging/hanging.js';
export { type Site, USUAL_SITE } from './hanging/way-parts.js';
export type { Coats } from './hardware/covered.js';
export { glueLine } from './hardware/glued.js';
export { hardwareOf } from './hardware/hardware-of.js';
export { amountOf, type HardwareLine } from './hardware/line.js';
export type { BitUse, BoredHole } from './holes/bit-for.js';
export { faceWords } from './holes/face-words.js';
export { type BoredFace, type FromEdge, HOLE_USES, type Hole, type HoleUse } from './holes/hole.js';
export { type BitHoles, byBit, type Side, sidesOf } from './holes/sides.js';
export { type HardwareCount, kitItems } from './items.js';
export { type LetterMark, letterMarks } from './letter-marks.js';
export type { Letter } from './letters.js';
export { boxesOfStep, boxesWithNew, mendedLines, standingBodies, stepsOfBox } from './mending.js';
export type { BuildTimes, Wait } from './minutes.js';
export {
  type BuildChoices,
  type BuildPlan,
  planBuild,
  stepKey,
  USUAL_BUILD,
} from './plan-build.js';
export type { BuildProblem } from './problems.js';
export { outsideArea } from './surfaces.js';
export type { Weights } from './weights.js';
export { coatWork, minutesLeft, type PlannedWork, sideWork, stepWork, workOf } from './work.js';
export {
  type Pace,
  paceOf,
  type TimedWork,
  WORK_KINDS,
  type Work,
  type WorkKind,
  workKey,
} from './work-done.js';
