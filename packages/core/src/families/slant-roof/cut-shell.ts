import type { Refusal } from '../../plan/index.js';
import { floorIn } from '../common/floor.js';
import { type GripWall, ladder, NO_PARTS } from '../common/grip.js';
import type { Cut } from '../define-family.js';
import type { ShellPlan } from './declared.js';
import { derive } from './derive.js';
import { shellFaults } from './faults.js';
import { frameOf, frontSill, type WayIn } from './frame.js';
import { shellJoints } from './joints.js';
import { nailsOf } from './nails.js';
import { shellCavity, shellOpenings } from './openings.js';
import { type Shell, shellPanels, ventHoles } from './panels.js';

/** Cuts walls, floor and roof of a box under one slope out of space, or says what would have to change. */
export function cutShell(plan: ShellPlan, wayIn: WayIn): Cut | readonly Refusal[] {
  const frame = frameOf(plan, wayIn);
  const refusals = shellFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const half = frame.width / 2;
  const gripWall: GripWall = {
    panel: 'front',
    x: 0,
    half,
    y: 0,
    floor: 0,
    sill: frontSill(frame),
  };
  const swinging = frame.swing?.wall.replace('side-', '');
  const play = swinging ? { [swinging]: frame.play.floor } : {};
  const floor = floorIn(plan, { half, front: 0, back: frame.depth, play }, frame.t.floor);
  const shell: Shell = {
    plan,
    frame,
    floor,
    gripWall,
    vents: ventHoles(plan, frame),
    nails: nailsOf(frame),
  };
  const { grip } = plan.choices;
  const rungs =
    wayIn.kind === 'open' || grip === 'none'
      ? NO_PARTS
      : ladder({ choices: { grip }, wood: plan.wood }, gripWall);
  return {
    drafts: [...shellPanels(shell), ...rungs.drafts],
    joints: [...shellJoints(plan, frame, floor), ...rungs.joints],
    openings: shellOpenings(shell),
    cavities: [shellCavity(frame)],
    derived: derive(plan, frame),
  };
}
