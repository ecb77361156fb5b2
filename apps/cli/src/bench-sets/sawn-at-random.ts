import { type Part, STANDARD_SAW, type Stock } from '@spare-knot/core/job';
import { at, maxBy, sum } from '@spare-knot/core/lists';
import { fromMm, type Ticks } from '@spare-knot/core/measure';
import { type Draw, drawing } from './draw.js';
import { plainPart, plainStock, rectangleOf } from './plain-parts.js';
import type { SetJob } from './set-job.js';

interface Piece {
  length: Ticks;
  width: Ticks;
}

/** How a job is sawn: so many boards of a size, each into so many pieces, which fill them to a share. */
interface Sawing {
  kind: 'boards' | 'sheets';
  share: 1 | 0.97;
  /** Some of the boards are offcuts that cost nothing. */
  offcuts: boolean;
}

const KERF: Ticks = fromMm(3);
const SECONDS = 5;
/** No piece is sawn smaller than this either way. */
const LEAST: Ticks = fromMm(60);
const STEP: Ticks = fromMm(1);

/** One cut through the piece at a whole millimetre, along it or across it; null where it is too small for that. */
function cut(piece: Piece, draw: Draw): [Piece, Piece] | null {
  const room = (size: Ticks) => size - KERF - 2 * LEAST;
  const [across, along] = [room(piece.length), room(piece.width)];
  if (across < 0 && along < 0) return null;
  const isAcross = along < 0 || (across >= 0 && draw.chance() * (across + along) < across);
  const size = isAcross ? piece.length : piece.width;
  const first = LEAST + STEP * draw.whole(0, Math.floor(room(size) / STEP));
  const rest = size - KERF - first;
  return isAcross
    ? [
        { ...piece, length: first },
        { ...piece, length: rest },
      ]
    : [
        { ...piece, width: first },
        { ...piece, width: rest },
      ];
}

/** A board sawn through at random, the largest piece first more often than not. */
function sawn(board: Piece, pieces: number, draw: Draw): Piece[] {
  const cuts: Piece[] = [board];
  for (let tries = 0; cuts.length < pieces && tries < 40 * pieces; tries += 1) {
    const largest = cuts.indexOf(maxBy(cuts, ({ length, width }) => length * width) ?? board);
    const index = draw.chance() < 0.6 ? largest : draw.whole(0, cuts.length - 1);
    const halves = cut(at(cuts, index), draw);
    if (halves) cuts.splice(index, 1, ...halves);
  }
  return cuts;
}

/** Pieces of one size are copies of one part. */
function partsOf(pieces: readonly Piece[], grain: Part['grain']): Part[] {
  const counts = new Map<string, { piece: Piece; count: number }>();
  for (const piece of pieces) {
    const key = `${piece.length}x${piece.width}`;
    counts.set(key, { piece, count: (counts.get(key)?.count ?? 0) + 1 });
  }
  return [...counts.values()].map(({ piece, count }, index) =>
    plainPart(`p${index + 1}`, count, rectangleOf(piece.length, piece.width), { grain }),
  );
}

/** Pieces taken out at random, none so large that the boards would be filled to less than the share. */
function thinned(pieces: readonly Piece[], share: number, draw: Draw): Piece[] {
  const area = ({ length, width }: Piece) => length * width;
  let spare = (1 - share) * sum(pieces.map(area));
  return pieces.map((piece) => {
    // Each piece loses a little of its length, as whole millimetres: the saw's own loss does not grow by it.
    const wanted = Math.min(spare, piece.length * piece.width * (1 - share) * 2 * draw.chance());
    const shorter = Math.floor(wanted / piece.width / STEP) * STEP;
    spare -= shorter * piece.width;
    return { ...piece, length: piece.length - shorter };
  });
}

function boardsFor(
  { kind, offcuts }: Sawing,
  draw: Draw,
): { size: Piece; count: number; stock: Stock[] } {
  const size =
    kind === 'boards'
      ? {
          length: fromMm(draw.whole(18, 42) * 100),
          width: fromMm(draw.one([96, 120, 145, 170, 195, 220, 245])),
        }
      : {
          length: fromMm(draw.one([1220, 1500, 2440])),
          width: fromMm(draw.one([610, 1000, 1220])),
        };
  const count = kind === 'boards' ? draw.whole(2, 4) : draw.whole(1, 2);
  const grained = kind === 'boards';
  const whole = plainStock('whole', count + 2, size.length, size.width, { grained });
  const left = offcuts
    ? [0, 1].map((index) =>
        plainStock(
          `offcut-${index + 1}`,
          1,
          fromMm(draw.whole(4, 9) * 100),
          Math.min(size.width, fromMm(draw.one([96, 145, 195, 400]))),
          { price: 0, offcut: true, grained },
        ),
      )
    : [];
  return { size, count, stock: [whole, ...left] };
}

/**
 * A job made by sawing boards apart: a best layout costs what they cost, since the pieces take more wood than one board less has. Known
 * by construction; a share of 1 fills the boards to the last millimetre beside the kerfs.
 */
function jobSawn(sawing: Sawing, seed: number): SetJob {
  const draw = drawing(seed);
  for (;;) {
    const { size, count, stock } = boardsFor(sawing, draw);
    const each = sawing.kind === 'boards' ? () => draw.whole(5, 11) : () => draw.whole(9, 16);
    const alike = draw.chance() < 0.4;
    const first = sawn(size, each(), draw);
    const wholes = Array.from({ length: count }, () => (alike ? first : sawn(size, each(), draw)));
    const offcuts = stock.slice(1).map((offcut) => sawn(offcut, draw.whole(2, 3), draw));
    const all = [...wholes, ...offcuts].flat();
    const pieces = sawing.share < 1 ? thinned(all, sawing.share, draw) : all;
    const area = (list: readonly Piece[]) => sum(list.map(({ length, width }) => length * width));
    const free = sum(stock.slice(1).map(({ length, width }) => length * width));
    // One board less, with all that costs nothing, has less wood than the pieces take: else the optimum is not known.
    if (area(pieces) <= (count - 1) * size.length * size.width + free) continue;
    const grain = sawing.kind === 'boards' || draw.chance() < 0.5 ? 'along' : 'any';
    return {
      job: {
        name: `${sawing.kind}, ${Math.round(sawing.share * 100)} %${sawing.offcuts ? ', offcuts first' : ''}, ${seed}`,
        saw: { ...STANDARD_SAW, kerf: KERF, endTrim: 0 },
        parts: partsOf(pieces, grain),
        stock: stock.map((kind) => ({ ...kind, grained: grain === 'along' })),
        pinned: [],
        effort: { seconds: SECONDS },
      },
      optimum: count * 500,
    };
  }
}

const SETS: readonly (Sawing & { jobs: number })[] = [
  { kind: 'boards', share: 1, offcuts: false, jobs: 16 },
  { kind: 'boards', share: 0.97, offcuts: false, jobs: 12 },
  { kind: 'boards', share: 1, offcuts: true, jobs: 12 },
  { kind: 'sheets', share: 1, offcuts: false, jobs: 9 },
  { kind: 'sheets', share: 0.97, offcuts: false, jobs: 7 },
  { kind: 'sheets', share: 1, offcuts: true, jobs: 4 },
];

/** Sixty jobs of boards and sheets sawn at random, of known optimum. */
export const sawnAtRandom = (): SetJob[] =>
  SETS.flatMap(({ jobs, ...sawing }, set) =>
    Array.from({ length: jobs }, (_unused, index) => jobSawn(sawing, 1000 * (set + 1) + index)),
  );
