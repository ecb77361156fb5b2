import type { Ticks } from '../measure/index.js';

/** What of a plan says how far up the floor lies. */
export interface RecessPlan {
  sizes: Readonly<Record<'floorRecess', Ticks>>;
  choices: { readonly floorAt: 'recessed' | 'flush' };
}

/** How far the floor lies up inside the walls. */
export const recessOf = ({ sizes, choices }: RecessPlan): Ticks =>
  choices.floorAt === 'flush' ? 0 : sizes.floorRecess;
