import { type HungHole, hungHoles } from '../common/hung-wall.js';
import type { ShellPlan } from './declared.js';
import { type Frame, roofAt, sideAxis } from './frame.js';

/** Pivots opposite each other and the latch, through the walls that hold the one that swings; none where none does. */
export function hungIn({ sizes, choices }: ShellPlan, frame: Frame): readonly HungHole[] {
  const { swing, t, bottom } = frame;
  if (!swing) return [];
  const half = frame.width / 2;
  const latchZ = bottom + sizes.latchAbove;
  if (swing.wall === 'front') {
    const y = -t.front / 2;
    const pivotZ = roofAt(frame, -t.front) - frame.gapOverFront - swing.below;
    return hungHoles(
      { choices },
      [
        { panel: 'side-right', at: [half + t.right, y, 0], inwards: [-1, 0, 0] },
        { panel: 'side-left', at: [-half - t.left, y, 0], inwards: [1, 0, 0] },
      ],
      { pivotZ, latchZ },
    );
  }
  const x = swing.wall === 'side-left' ? -half - t.left / 2 : half + t.right / 2;
  return hungHoles(
    { choices },
    [
      { panel: 'front', at: [x, -t.front, 0], inwards: [0, 1, 0] },
      { panel: 'back', at: [x, frame.depth + t.back, 0], inwards: [0, -1, 0] },
    ],
    { pivotZ: sideAxis(frame, swing), latchZ },
  );
}
