import { type LayoutJob, type Part, STANDARD_SAW } from '@spare-knot/core/job';
import { at } from '@spare-knot/core/lists';
import { fromMm } from '@spare-knot/core/measure';
import { drawing } from './bench-sets/draw.js';

const PIECES = 20;

function job(
  name: string,
  sheet: number,
  piece: (random: () => number) => readonly [number, number],
  seed: number,
): LayoutJob {
  const random = drawing(seed).chance;
  const parts = Array.from({ length: PIECES }, (_unused, index): Part => {
    const [length, width] = piece(random).map((size) => fromMm(10 * size)) as [number, number];
    const outline = [
      [0, 0],
      [length, 0],
      [length, width],
      [0, width],
    ] as const;
    return {
      id: `p${index}`,
      quantity: 1,
      thickness: fromMm(12),
      outline,
      underside: outline,
      grain: 'along',
      outside: 'any',
      inside: 'any',
      knots: 'sound',
      clear: [],
      cutAway: [],
      materials: null,
    };
  });
  return {
    name,
    saw: { ...STANDARD_SAW, kerf: 0 },
    parts,
    stock: [
      {
        id: 'sheet',
        quantity: PIECES,
        material: 'plywood',
        thickness: fromMm(12),
        width: fromMm(10 * sheet),
        length: fromMm(10 * sheet),
        faceA: 'planed',
        faceB: 'planed',
        price: 100,
        offcut: false,
        grained: true,
        defects: [],
      },
    ],
    pinned: [],
    effort: { seconds: 4 },
  };
}

/** One instance of twenty pieces of each class: 1–6 of Berkey and Wang (1987), 7–10 of Martello and Vigo (1998); generators from memory [M]. */
export function classJobs(): LayoutJob[] {
  const whole = (random: () => number, least: number, most: number) =>
    least + Math.floor(random() * (most - least + 1));
  const uniform: readonly (readonly [number, number])[] = [
    [10, 10],
    [30, 10],
    [40, 35],
    [100, 35],
    [100, 100],
    [300, 100],
  ];
  const even = uniform.map(([sheet, most], index) =>
    job(
      `class ${index + 1}: pieces 1–${most} on sheets of ${sheet}`,
      sheet,
      (random) => [whole(random, 1, most), whole(random, 1, most)],
      100 + index,
    ),
  );
  const kinds: readonly ((random: () => number) => readonly [number, number])[] = [
    (random) => [whole(random, 67, 100), whole(random, 1, 50)],
    (random) => [whole(random, 1, 50), whole(random, 67, 100)],
    (random) => [whole(random, 50, 100), whole(random, 50, 100)],
    (random) => [whole(random, 1, 50), whole(random, 1, 50)],
  ];
  const mixed = kinds.map((_kind, main) =>
    job(
      `class ${main + 7}: mostly type ${main + 1} on sheets of 100`,
      100,
      (random) => {
        const pick = random();
        const others = kinds.filter((_other, index) => index !== main);
        return pick < 0.7
          ? at(kinds, main)(random)
          : at(others, Math.min(2, Math.floor((pick - 0.7) * 10)))(random);
      },
      200 + main,
    ),
  );
  return [...even, ...mixed];
}
