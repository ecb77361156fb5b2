import type { Ticks } from '../measure/index.js';
import type { BoxPlan } from './plan.js';

/** How far the floor lies up inside the walls. */
export const recessOf = ({ sizes, schools }: BoxPlan): Ticks =>
  schools.floorAt === 'flush' ? 0 : (sizes.floorRecess ?? 0);
