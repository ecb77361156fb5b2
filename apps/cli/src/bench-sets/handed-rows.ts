import { type Part, STANDARD_SAW } from '@spare-knot/core/job';
import { fromMm } from '@spare-knot/core/measure';
import { type Draw, drawing } from './draw.js';
import { plainPart, plainStock } from './plain-parts.js';
import type { SetJob } from './set-job.js';

const SECONDS = 5;
const WIDE = fromMm(145);

/** A side as wide as the board, one end square and the other sloped, or both: its good face tells left from right. */
function side(id: string, draw: Draw): Part {
  const long = fromMm(draw.whole(180, 420));
  const [start, end] = [draw.one([0, 0, 18, 30, 45]), draw.one([12, 22, 34, 52])].map((mm) =>
    fromMm(mm),
  );
  const [slopeStart, slopeEnd] = [start ?? 0, end ?? 0];
  const up = draw.chance() < 0.5;
  return plainPart(
    id,
    draw.whole(2, 8),
    up
      ? [
          [0, 0],
          [long, 0],
          [long - slopeEnd, WIDE],
          [slopeStart, WIDE],
        ]
      : [
          [slopeStart, 0],
          [long - slopeEnd, 0],
          [long, WIDE],
          [0, WIDE],
        ],
    { outside: 'rough', inside: 'planed' },
  );
}

/** Rows of sloped sides that may not be turned over, on two lengths of boards as wide as they are. */
function jobOfRows(seed: number): SetJob {
  const draw = drawing(seed);
  const parts = Array.from({ length: draw.whole(2, 5) }, (_unused, index) =>
    side(`side-${index + 1}`, draw),
  );
  const [short, long] = [draw.whole(12, 20) * 100, draw.whole(21, 36) * 100];
  const perMetre = draw.whole(180, 360);
  const faces = { faceA: 'rough', faceB: 'planed' } as const;
  return {
    job: {
      name: `handed rows, ${seed}`,
      saw: { ...STANDARD_SAW, rip: draw.chance() < 0.5 },
      parts,
      stock: [
        plainStock('short', 20, fromMm(short), WIDE, {
          ...faces,
          price: Math.round((short * perMetre) / 1000),
        }),
        plainStock('long', 20, fromMm(long), WIDE, {
          ...faces,
          price: Math.round((long * perMetre) / 1020),
        }),
      ],
      pinned: [],
      effort: { seconds: SECONDS },
    },
    optimum: null,
  };
}

/** Twenty jobs of handed and sloped rows; no optimum is known. */
export const handedRows = (): SetJob[] =>
  Array.from({ length: 20 }, (_unused, index) => jobOfRows(30_000 + index));
