import { maxBy } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { add, scale, type Vec3 } from '../../solid/index.js';
import { joinTexts, ofLength, ofPanel, type Text, text } from '../../text/index.js';
import { type Body, chordOf } from '../bodies.js';

type Axis = 0 | 1 | 2;

/** What lies nearer than this is flush. */
const FLUSH: Ticks = fromMm(0.2);
/** Farther apart than this nobody compares two edges. */
const COMPARED: Ticks = fromMm(60);
/** A gap under a roof is looked for so far. */
const GAP: Ticks = fromMm(25);

const end = ({ corners }: Body, axis: Axis, sign: 1 | -1): number =>
  sign * Math.max(...corners.map((corner) => sign * corner[axis]));

const isWall = ({ outsideNormal }: Body): boolean => Math.abs(outsideNormal[2]) < 0.5;
const isFloor = ({ outsideNormal }: Body): boolean => outsideNormal[2] < -0.9;
const isRoof = ({ outsideNormal }: Body): boolean => outsideNormal[2] > 0.5;

const named = ({ panel }: Body) => ofPanel(panel.id);

/** How the lower edge of a wall lies to what it is put to. */
function lowerEdge(body: Body, onto: readonly Body[]): Text[] {
  const wall = onto.find(isWall);
  if (wall) {
    const up = end(body, 2, -1) - end(wall, 2, -1);
    if (Math.abs(up) < FLUSH) return [text`flush with the ${named(wall)} below`];
    if (Math.abs(up) > COMPARED) return [];
    return up > 0
      ? [text`its lower edge ${ofLength(Math.round(up))} above that of the ${named(wall)}`]
      : [text`its lower edge ${ofLength(Math.round(-up))} below that of the ${named(wall)}`];
  }
  const floor = onto.find(isFloor);
  if (!floor) return [];
  const down = end(floor, 2, -1) - end(body, 2, -1);
  if (down < FLUSH || down > COMPARED) return [];
  return [text`its lower edge ${ofLength(Math.round(down))} below the ${named(floor)}`];
}

/** How far a floor stands up inside the walls. */
function recess(body: Body, onto: readonly Body[]): Text[] {
  const wall = onto.find(isWall);
  const up = wall ? end(body, 2, -1) - end(wall, 2, -1) : 0;
  if (!wall || up < FLUSH || up > COMPARED) return [];
  return [
    text`its underside ${ofLength(Math.round(up))} above the lower edge of the ${named(wall)}`,
  ];
}

/** With so many walls round a floor its diagonals can be measured. */
const ROUND_A_FLOOR = 3;

/** A floor squares the box: said once, when it and enough walls stand round it. */
function squared(body: Body, onto: readonly Body[], standing: readonly Body[]): Text[] {
  const walls = standing.filter(isWall).length;
  const now = isFloor(body)
    ? walls >= ROUND_A_FLOOR
    : isWall(body) && walls === ROUND_A_FLOOR - 1 && onto.some(isFloor);
  return now ? [text`the floor squares the box: both diagonals across it measure the same`] : [];
}

/** How far a roof stands over what is below it, in front and at both sides. */
function overhang(body: Body, standing: readonly Body[]): Text[] {
  const over = (axis: Axis, sign: 1 | -1): number =>
    Math.round(
      Math.abs(end(body, axis, sign)) -
        Math.max(0, ...standing.map((each) => sign * end(each, axis, sign))),
    );
  if (standing.length === 0) return [];
  const front = Math.round(
    Math.min(...standing.map((each) => end(each, 1, -1))) - end(body, 1, -1),
  );
  const [left, right] = [over(0, -1), over(0, 1)];
  const found: Text[] = [];
  if (front > FLUSH) found.push(text`${ofLength(front)} over in front`);
  if (Math.abs(left - right) < FLUSH && left > FLUSH)
    found.push(text`${ofLength(left)} over at each side`);
  return found;
}

/** The gap that a wall leaves under a roof that it is not held to; null where there is none. */
export function freeUnderRoof(body: Body, all: readonly Body[]): { gap: Ticks; roof: Body } | null {
  const top = maxBy(body.corners, ([, , z]) => z);
  if (!top || !isWall(body)) return null;
  const high = body.corners.filter(([, , z]) => top[2] - z < fromMm(30));
  const middle = scale(
    high.reduce((total: Vec3, corner) => add(total, corner), [0, 0, 0]),
    1 / high.length,
  );
  const own = chordOf(body, middle, [0, 0, 1])?.[1] ?? 0;
  const gaps = all.filter(isRoof).flatMap((roof) => {
    const chord = chordOf(roof, middle, [0, 0, 1]);
    const gap = chord ? chord[0] - own : 0;
    return chord && gap > fromMm(1) && gap < GAP ? [{ gap: Math.round(gap), roof }] : [];
  });
  return gaps[0] ?? null;
}

function gapAbove(body: Body, all: readonly Body[]): Text[] {
  const free = freeUnderRoof(body, all);
  return free ? [text`${ofLength(free.gap)} free under the ${named(free.roof)}`] : [];
}

/** What to look at when a piece is in place: where it is flush, what it leaves free, how far it stands over. */
export function checkWords(
  body: Body,
  onto: readonly Body[],
  { standing, all, moves }: { standing: readonly Body[]; all: readonly Body[]; moves: boolean },
): Text {
  const found: Text[] = [];
  if (isFloor(body)) found.push(...recess(body, onto));
  else if (isRoof(body)) found.push(...overhang(body, standing));
  else if (isWall(body)) found.push(...lowerEdge(body, onto), ...gapAbove(body, all));
  found.push(...squared(body, onto, standing));
  if (moves) found.push(text`it goes through its whole way without rubbing`);
  return joinTexts(found, '; ');
}
