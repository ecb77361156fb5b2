import { type LayoutJob, STANDARD_SAW } from '@spare-knot/core/job';
import { at } from '@spare-knot/core/lists';
import { fromMm } from '@spare-knot/core/measure';
import { type Draw, drawing } from './draw.js';
import { plainPart, plainStock, rectangleOf } from './plain-parts.js';
import type { SetJob } from './set-job.js';

const PIECES = 20;
/** Draws of each class in the seeded set. */
const DRAWS = 20;

/** A class of two-dimensional bin packing: how one of its pieces is drawn, length and width, for square sheets. */
interface PublishedClass {
  sheet: number;
  said: string;
  piece: (draw: Draw) => readonly [number, number];
}

/** Sheets of classes 1–6 and how large their pieces are at most. */
const EVEN: readonly (readonly [sheet: number, most: number])[] = [
  [10, 10],
  [30, 10],
  [40, 35],
  [100, 35],
  [100, 100],
  [300, 100],
];

/** Classes 1–6 of Berkey and Wang (J. Operational Research Society 38, 1987): pieces from 1 up to the same in length and width; from memory [M]. */
const even = EVEN.map(
  ([sheet, most]): PublishedClass => ({
    sheet,
    said: `pieces 1–${most} on sheets of ${sheet}`,
    piece: ({ whole }) => [whole(1, most), whole(1, most)],
  }),
);

/** The four types of piece of Martello and Vigo (Management Science 44, 1998), on sheets of 100; from memory [M]. */
const TYPES: readonly PublishedClass['piece'][] = [
  ({ whole }) => [whole(67, 100), whole(1, 50)],
  ({ whole }) => [whole(1, 50), whole(67, 100)],
  ({ whole }) => [whole(50, 100), whole(50, 100)],
  ({ whole }) => [whole(1, 50), whole(1, 50)],
];

/** Classes 7–10: seven in ten of one type, one in ten of each of the others. */
const mixed = TYPES.map((main, index): PublishedClass => {
  const others = TYPES.filter((type) => type !== main);
  return {
    sheet: 100,
    said: `mostly type ${index + 1} on sheets of 100`,
    piece: (draw) => {
      const pick = draw.chance();
      return pick < 0.7 ? main(draw) : at(others, Math.min(2, Math.floor((pick - 0.7) * 10)))(draw);
    },
  };
});

const CLASSES = [...even, ...mixed];

/** Twenty pieces of a class, which may not be turned, on as many sheets of 1; no kerf. */
function jobOf(
  index: number,
  { sheet, piece }: PublishedClass,
  name: string,
  seed: number,
): LayoutJob {
  const draw = drawing(seed);
  const parts = Array.from({ length: PIECES }, (_unused, each) => {
    const [length, width] = piece(draw);
    return plainPart(`p${each}`, 1, rectangleOf(fromMm(10 * length), fromMm(10 * width)));
  });
  return {
    name: `class ${index + 1}${name}`,
    saw: { ...STANDARD_SAW, kerf: 0 },
    parts,
    stock: [plainStock('sheet', PIECES, fromMm(10 * sheet), fromMm(10 * sheet), { price: 100 })],
    pinned: [],
    effort: { seconds: 4 },
  };
}

/** One job of each class, by seeds that the table of worked jobs has had from its beginning. */
export const classJobs = (): LayoutJob[] =>
  CLASSES.map((each, index) =>
    jobOf(index, each, `: ${each.said}`, index < 6 ? 100 + index : 194 + index),
  );

/** Twenty draws of each class. How many sheets they need is known but by proof; what is published is the average over ten other draws. */
export const publishedClasses = (): SetJob[] =>
  CLASSES.flatMap((each, index) =>
    Array.from({ length: DRAWS }, (_unused, draw) => ({
      job: jobOf(index, each, `, ${draw + 1}`, 1000 * (index + 1) + draw),
      optimum: null,
    })),
  );
