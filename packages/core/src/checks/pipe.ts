import { at } from '../lists/index.js';
import { atan2, cos, fromMm, sin, type Ticks, tan } from '../measure/index.js';
import type { Fitting, Panel, PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import type { Vec3 } from '../solid/index.js';
import { ofAngle, text } from '../text/index.js';
import { COMMON, type Rule, setChoice } from './check.js';
import { gapOver, pivotsOf } from './swing.js';

type Pipe = Extract<Fitting, { kind: 'pipe' }>;

const pipesOf = ({ fittings = [] }: PanelSet): Pipe[] =>
  fittings.flatMap((fitting) => (fitting.kind === 'pipe' ? [fitting] : []));

/** Least fall by which water leaves a pipe, in degrees; common practice, no source. */
const LEAST_FALL = 2;
const USUAL_FALL = 5;

/** Degrees by which a pipe falls on its way out of the box. */
const fallOf = ({ from, to }: Pipe): number => atan2(to[2] - from[2], to[1] - from[1]);

/** Rain that blows into a level pipe runs into the room: it falls outwards, and so drains itself. */
export const pipeFallRule: Rule = ({ box }) =>
  pipesOf(box).map((pipe) => {
    const fall = fallOf(pipe);
    const isDrained = fall >= LEAST_FALL - 0.05;
    return {
      ...COMMON,
      id: 'pipe-fall',
      severity: isDrained ? 'kept' : 'warn',
      role: 'front',
      text: isDrained
        ? text`The pipe falls outwards by ${ofAngle(fall)}: rain that is blown in runs out again.`
        : text`The pipe ${fall > 0.05 ? text`falls outwards by no more than ${ofAngle(fall)}` : 'lies level'}: rain that is blown in runs into the room. Let it fall outwards, by ${ofAngle(LEAST_FALL)} at least.`,
      remedies: isDrained
        ? []
        : [
            {
              label: `Let it fall ${USUAL_FALL}°`,
              apply: (plan: BoxPlan) => ({
                ...plan,
                angles: { ...plan.angles, pipeFall: USUAL_FALL },
              }),
            },
          ],
    };
  });

/** How far a front is opened to clean behind it, in degrees; common practice, no source. */
const OPEN_ENOUGH = 60;
const STEPS_ALONG = 8;

/** The pipe's upper edge, from its outer end to the front's outside face. */
function upperEdge(pipe: Pipe, front: Panel): Vec3[] {
  const { from, outside } = pipe;
  const face = Math.min(...at(front.instances, 0).solid.vertices.map((corner) => corner[1]));
  const fall = fallOf(pipe);
  const up: Vec3 = [0, -sin(fall) * (outside / 2), cos(fall) * (outside / 2)];
  return Array.from({ length: STEPS_ALONG + 1 }, (_unused, step): Vec3 => {
    const y = from[1] + ((face - from[1]) * step) / STEPS_ALONG;
    const z = from[2] + (y - from[1]) * tan(fall);
    return [0, y + up[1], z + up[2]];
  });
}

/** A point of the front once its lower end has swung out by so many degrees. */
function swung([x, y, z]: Vec3, [, axisY, axisZ]: Vec3, degrees: number): Vec3 {
  const [dy, dz] = [y - axisY, z - axisZ];
  const [c, s] = [cos(degrees), sin(degrees)];
  return [x, axisY + dy * c + dz * s, axisZ - dy * s + dz * c];
}

/** Play under the roof. */
const CLEAR: Ticks = fromMm(1);

/** How far the front swings out, in whole degrees up to a right angle, before its pipe meets the roof. */
function swingsUntil(pipe: Pipe, front: Panel, roof: Panel, axis: Vec3): number {
  const edge = upperEdge(pipe, front);
  const reach = Math.min(...at(roof.instances, 0).solid.vertices.map((corner) => corner[1]));
  for (let degrees = 1; degrees <= 90; degrees += 1) {
    const meets = edge
      .map((point) => swung(point, axis, degrees))
      .some((point) => point[1] > reach && gapOver(roof, point) < CLEAR);
    if (meets) return degrees - 1;
  }
  return 90;
}

/** A pipe in a front on pivots rises as the front swings out, and may meet the roof. */
export const pipeSwingRule: Rule = ({ plan, box }) => {
  const front = box.panels.find(({ id }) => id === 'front');
  const roof = box.panels.find(({ role }) => role === 'roof');
  const [axis] = pivotsOf(box);
  const [pipe] = pipesOf(box);
  if (plan.choices.access !== 'front' || !front || !roof || !axis || !pipe) return [];
  const until = swingsUntil(pipe, front, roof, axis);
  const isFree = until >= OPEN_ENOUGH;
  return [
    {
      ...COMMON,
      id: 'pipe-swing',
      severity: isFree ? 'kept' : 'warn',
      role: 'front',
      text: isFree
        ? text`The pipe stays clear of the roof until the front has swung out by ${ofAngle(until)}.`
        : text`The pipe meets the roof once the front has swung out by ${ofAngle(until)}: too little to clean behind it, which takes ${ofAngle(OPEN_ENOUGH)}. Shorten the pipe or the roof, or open a side.`,
      remedies: isFree ? [] : [{ label: 'Open a side', apply: setChoice('access', 'side') }],
    },
  ];
};
