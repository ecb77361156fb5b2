import type { Refusal } from '../../plan/index.js';
import { type Floor, floorIn } from '../common/floor.js';
import { type GripWall, ladder, NO_PARTS, type Parts, strips } from '../common/grip.js';
import { sticksBehind } from '../common/sheet-sticks.js';
import type { Cut } from '../define-family.js';
import { roomFaces } from './battens.js';
import type { ShellPlan } from './declared.js';
import { derive } from './derive.js';
import { shellFaults } from './faults.js';
import { type Frame, frameOf, frontSill, type WayIn } from './frame.js';
import { hungIn } from './hung.js';
import { shellJoints } from './joints.js';
import { eyesOf } from './mount.js';
import { shellCavity, shellOpenings } from './openings.js';
import { outerGripWall, type Shell, shellPanels, ventHoles } from './panels.js';

/** The floor that is held, and the tray over it where there is one. The room's floor is the upper of the two. */
function floorsIn(plan: ShellPlan, frame: Frame): Pick<Shell, 'floor' | 'tray'> {
  const swinging = frame.swing?.wall.replace('side-', '');
  const play = swinging ? { [swinging]: frame.play.floor } : {};
  const room = { half: frame.width / 2, front: 0, back: frame.depth };
  const clear = frame.sticks?.deep ?? 0;
  const floor: Floor = floorIn(plan, { ...room, play, top: -frame.t.tray }, frame.t.floor, clear);
  if (plan.choices.tray !== 'tray') return { floor, tray: null };
  const free = plan.sizes.trayPlay;
  const round = { left: free, right: free, front: free, back: free };
  const loose = { ...round, ...(swinging && { [swinging]: Math.max(free, frame.play.floor) }) };
  return { floor, tray: floorIn(plan, { ...room, play: loose }, frame.t.tray) };
}

/** Strips to climb by, within and without. */
function rungsOf({ plan, gripWall, frame }: Shell): Parts[] {
  const { sizes, choices, wood } = plan;
  const { grip, outside } = choices;
  const within = grip === 'none' ? NO_PARTS : ladder({ sizes, choices: { grip }, wood }, gripWall);
  const without = outerGripWall(gripWall, frame);
  return [within, outside === 'ladder' ? strips(plan, wood['outer-ladder'], without) : NO_PARTS];
}

/** How the panels are held: fastened into each other, or by battens behind their joints. */
function heldBy(shell: Shell): Parts {
  const joints = shellJoints(shell);
  const { sticks } = shell.frame;
  return sticks ? sticksBehind(joints, roomFaces(shell), sticks) : { drafts: [], joints };
}

/** Cuts walls, floor and roof of a box under one slope out of space, or says what would have to change. */
export function cutShell(plan: ShellPlan, wayIn: WayIn): Cut | readonly Refusal[] {
  const frame = frameOf(plan, wayIn);
  const refusals = shellFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const half = frame.width / 2;
  // Battens stand in the corners and lie round the floor.
  const { wide = 0 } = frame.sticks ?? {};
  const gripWall: GripWall = {
    panel: 'front',
    x: 0,
    half: half - wide,
    y: 0,
    floor: wide,
    sill: frontSill(frame) - wide,
  };
  const shell: Shell = {
    plan,
    frame,
    ...floorsIn(plan, frame),
    gripWall,
    vents: ventHoles(plan, frame),
    hung: hungIn(plan, frame),
  };
  const rungs = wayIn.kind === 'open' ? [] : rungsOf(shell);
  const held = heldBy(shell);
  return {
    drafts: [...shellPanels(shell), ...held.drafts, ...rungs.flatMap(({ drafts }) => drafts)],
    joints: [...held.joints, ...rungs.flatMap(({ joints }) => joints)],
    openings: shellOpenings(shell),
    cavities: [shellCavity(frame)],
    fittings: eyesOf(plan, frame),
    derived: derive(plan, frame),
  };
}
