import type { Cavity, Opening } from '../../panels/index.js';
import type { Vec3 } from '../../solid/index.js';
import { entranceOpening } from '../common/entrance.js';
import { FRONT_TO_BACK, roundOpenings } from '../common/holes.js';
import { uprightPlay } from '../common/play.js';
import { type Frame, frontSill, roofAt } from './frame.js';
import type { Shell } from './panels.js';

/** The inside of the front, or of the back, from a height up to the roof, across the room. */
function overWall(frame: Frame, y: number, from: number): Vec3[] {
  const half = frame.width / 2;
  const top = roofAt(frame, y);
  return [
    [-half, y, from],
    [half, y, from],
    [half, y, top],
    [-half, y, top],
  ];
}

/** The strip over a side that stops short of the roof. */
const overSide = (frame: Frame, x: number, gap: number): Opening => ({
  kind: 'vent-gap',
  polygon: [
    [x, 0, roofAt(frame, 0) - gap],
    [x, frame.depth, roofAt(frame, frame.depth) - gap],
    [x, frame.depth, roofAt(frame, frame.depth)],
    [x, 0, roofAt(frame, 0)],
  ],
});

/** The play at both edges of the wall that swings. */
function playOpenings(frame: Frame): Opening[] {
  const { swing, play, depth, bottom, split } = frame;
  const half = frame.width / 2;
  if (!swing || play.sides === 0) return [];
  const topAt = (y: number) => split?.at ?? roofAt(frame, y);
  const upright = (from: readonly [number, number], to: readonly [number, number]): Opening =>
    uprightPlay(from, to, bottom, (_x, y) => topAt(y));
  if (swing.wall === 'front')
    return [
      upright([-half, 0], [-half + play.sides, 0]),
      upright([half - play.sides, 0], [half, 0]),
    ];
  const x = swing.wall === 'side-left' ? -half : half;
  return [upright([x, 0], [x, play.sides]), upright([x, depth - play.sides], [x, depth])];
}

/** The slit over the door of a side that is split. */
function slitOpening({ swing, split, width, depth }: Frame): Opening[] {
  if (!swing || !split) return [];
  const x = (swing.wall === 'side-left' ? -width : width) / 2;
  const [low, high] = [split.at, split.at + split.slit];
  return [
    {
      kind: 'slit',
      polygon: [
        [x, 0, low],
        [x, depth, low],
        [x, depth, high],
        [x, 0, high],
      ],
    },
  ];
}

function wayInOpening(frame: Frame): Opening {
  const { wayIn } = frame;
  if (wayIn.kind === 'hole') return entranceOpening(wayIn.entrance, 0, 0);
  return wayIn.kind === 'open'
    ? { kind: 'open-front', polygon: overWall(frame, 0, wayIn.above) }
    : { kind: 'entrance', polygon: overWall(frame, 0, frontSill(frame) - frame.gapOverFront) };
}

/** Where the room is open on purpose. */
export function shellOpenings({ plan, frame, vents, floor, tray }: Shell): Opening[] {
  const half = frame.width / 2;
  const gaps = [
    [-half, frame.gapOverLeft],
    [half, frame.gapOverRight],
  ] as const;
  const top = roofAt(frame, 0);
  const frontGap: Opening[] =
    frame.gapOverFront > 0 && frame.slot === 0
      ? [{ kind: 'vent-gap', polygon: overWall(frame, 0, top - frame.gapOverFront) }]
      : [];
  const { depth, gapOverBack } = frame;
  const back = overWall(frame, depth, roofAt(frame, depth) - gapOverBack);
  return [
    wayInOpening(frame),
    ...gaps.filter(([, gap]) => gap > 0).map(([x, gap]) => overSide(frame, x, gap)),
    ...frontGap,
    ...(gapOverBack > 0 ? [{ kind: 'vent-gap', polygon: back } as const] : []),
    ...roundOpenings('vent-hole', vents, plan.sizes.ventSize, FRONT_TO_BACK),
    ...floor.openings,
    ...(tray?.openings ?? []),
    ...slitOpening(frame),
    ...playOpenings(frame),
  ];
}

export const shellCavity = (frame: Frame): Cavity => ({
  origin: [0, 0, 0],
  width: frame.width,
  depth: frame.depth,
  heightFront: roofAt(frame, 0),
  heightBack: roofAt(frame, frame.depth),
  sill: Math.max(0, frontSill(frame) - (frame.slot > 0 ? frame.gapOverFront : 0)),
});
