import type { Ticks } from '../../measure/index.js';
import { type JointDraft, type JointKind, meet } from '../../panels/index.js';
import type { ShellPlan } from './declared.js';
import type { Shell } from './panels.js';

/** The wall that screws alone hold, so that it comes off. */
function comesOff({ choices }: ShellPlan): string | null {
  if (choices.access === 'front-off') return 'front';
  if (choices.access !== 'screwed') return null;
  if (choices.walls === 'over') return 'front';
  return choices.opensAt === 'left' ? 'side-left' : 'side-right';
}

function roofToBack({ choices }: ShellPlan): JointKind {
  if (choices.roof === 'groove') return 'let-in';
  if (choices.access !== 'roof') return 'butt';
  return choices.roof === 'strip' ? 'strip' : 'hinged';
}

/** The fixed part over a door, between front and back and under the roof. */
const overDoor = (roofed: readonly JointDraft[]): JointDraft[] => [
  ...meet('front', 'side-above'),
  ...meet('back', 'side-above'),
  ...roofed,
];

/** How each pair of neighbours is held: what swings or lifts is loose, what comes off is screwed. */
export function shellJoints({ plan, frame, floor, tray }: Shell): JointDraft[] {
  const off = comesOff(plan);
  const swinging = frame.swing?.wall;
  const held = (...pair: string[]): JointKind => {
    if (pair.some((id) => id === swinging)) return 'loose';
    return pair.some((id) => id === off) ? 'screwed' : 'butt';
  };
  const lifts = plan.choices.access === 'roof';
  const roofed = (id: string, gap: number) =>
    meet('roof', id, lifts ? 'loose' : held('roof', id), gap === 0);
  const sides = [
    ['side-left', frame.gapOverLeft],
    ['side-right', frame.gapOverRight],
  ] as const;
  const closed = frame.wayIn.kind === 'hole';
  // A wall with play touches nothing but its pivots.
  const touches = (id: string, play: Ticks) => id !== swinging || play === 0;
  const beside = (wall: string, side: string) =>
    meet(
      wall,
      side,
      held(wall, side),
      [wall, side].every((id) => touches(id, frame.play.sides)),
    );
  return [
    ...sides.flatMap(([id, gap]) => [
      ...beside('front', id),
      ...beside('back', id),
      ...meet('floor', id, held('floor', id), touches(id, frame.play.floor)),
      ...(frame.split && id === swinging ? overDoor(roofed('side-above', gap)) : roofed(id, gap)),
    ]),
    ...(tray ? meet('tray', 'floor', 'loose') : []),
    ...meet(
      'floor',
      'front',
      held('floor', 'front'),
      floor.meetsFront && touches('front', frame.play.floor),
    ),
    ...meet('floor', 'back', 'butt', floor.meetsBack),
    ...(closed ? roofed('front', frame.gapOverFront) : []),
    ...meet('roof', 'back', roofToBack(plan), frame.gapOverBack === 0),
  ];
}
