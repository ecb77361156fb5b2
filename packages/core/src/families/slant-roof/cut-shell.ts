import type { Refusal } from '../../plan/index.js';
import { type Floor, floorIn } from '../common/floor.js';
import { type GripWall, ladder, NO_PARTS } from '../common/grip.js';
import type { Cut } from '../define-family.js';
import type { ShellPlan } from './declared.js';
import { derive } from './derive.js';
import { shellFaults } from './faults.js';
import { type Frame, frameOf, frontSill, type WayIn } from './frame.js';
import { hungIn } from './hung.js';
import { shellJoints } from './joints.js';
import { shellCavity, shellOpenings } from './openings.js';
import { type Shell, shellPanels, ventHoles } from './panels.js';

/** The floor that is held, and the tray over it where there is one. The room's floor is the upper of the two. */
function floorsIn(plan: ShellPlan, frame: Frame): Pick<Shell, 'floor' | 'tray'> {
  const swinging = frame.swing?.wall.replace('side-', '');
  const play = swinging ? { [swinging]: frame.play.floor } : {};
  const room = { half: frame.width / 2, front: 0, back: frame.depth };
  const floor: Floor = floorIn(plan, { ...room, play, top: -frame.t.tray }, frame.t.floor);
  if (plan.choices.tray !== 'tray') return { floor, tray: null };
  const free = plan.sizes.trayPlay;
  const round = { left: free, right: free, front: free, back: free };
  const clear = { ...round, ...(swinging && { [swinging]: Math.max(free, frame.play.floor) }) };
  return { floor, tray: floorIn(plan, { ...room, play: clear }, frame.t.tray) };
}

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
  const shell: Shell = {
    plan,
    frame,
    ...floorsIn(plan, frame),
    gripWall,
    vents: ventHoles(plan, frame),
    hung: hungIn(plan, frame),
  };
  const { grip } = plan.choices;
  const rungs =
    wayIn.kind === 'open' || grip === 'none'
      ? NO_PARTS
      : ladder({ choices: { grip }, wood: plan.wood }, gripWall);
  return {
    drafts: [...shellPanels(shell), ...rungs.drafts],
    joints: [...shellJoints(shell), ...rungs.joints],
    openings: shellOpenings(shell),
    cavities: [shellCavity(frame)],
    derived: derive(plan, frame),
  };
}
