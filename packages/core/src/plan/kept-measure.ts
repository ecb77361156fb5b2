import type { Chosen } from './declaration.js';

/** Whether a box's outside is kept in one direction when its boards change: width and depth are asked apart. */
export function keepsOutside(choices: Chosen, direction: 'width' | 'depth'): boolean {
  const { measure, measureDepth = 'as-width' } = choices;
  if (direction === 'width' || measureDepth === 'as-width') return measure === 'outside';
  return measureDepth === 'outside';
}
