import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { stepClock } from '../../test/clock.js';
import { animalFor } from '../../test/plans.js';
import { buildBox, familyById } from '../families/index.js';
import { jobForBoxes, STANDARD_SAW, type Stock } from '../job/index.js';
import { placePart, searchLayout } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { BoxPlan } from '../plan/index.js';
import { boundsOf } from '../plane/index.js';
import { plainText } from '../text/index.js';
import type { Defect } from '../wood/index.js';
import { preparations } from './preparing.js';

const family = must(familyById('slant-roof'), 'the common box');
const plain: BoxPlan = planFor(family, animalFor(family), 19.05);
const scored: BoxPlan = { ...plain, choices: { ...plain.choices, grip: 'kerfs' } };

function laidOut(plan: BoxPlan, change: Partial<Stock> = {}, trim = 0) {
  const built = buildBox(plan);
  if (!built.ok) throw new Error('not built');
  const stock: Stock = {
    id: 'wide',
    quantity: 4,
    material: 'western-red-cedar',
    thickness: fromMm(19.05),
    width: fromMm(286),
    length: fromMm(2438),
    faceA: 'planed',
    faceB: 'rough',
    price: 10,
    offcut: false,
    grained: true,
    defects: [],
    ...change,
  };
  const saw = { ...STANDARD_SAW, endTrim: fromMm(trim) };
  const job = jobForBoxes('scored', plan, built.box, 1, [stock], saw, 0.2);
  const layout = searchLayout(job, { clock: stepClock(0.2, 40) });
  return { job, box: built.box, layout, of: preparations(job, built.box, layout) };
}

describe('what is done while the boards are long', () => {
  test('a box whose grip is scored: its panel is scored where it lies, on the face that is its inside', () => {
    const { job, box, layout, of } = laidOut(scored);
    const scores = of.filter(({ is }) => is === 'score');
    const panels = box.panels.filter(({ features }) =>
      features.some((each) => each.kind === 'groove' && each.purpose === 'grip'),
    );
    expect(scores.length).toBeGreaterThan(0);
    expect(scores).toHaveLength(
      layout.boards.flatMap(({ placements }) =>
        placements.filter(({ part }) => panels.some(({ id }) => id === part)),
      ).length,
    );
    for (const { board, words } of scores) {
      const laid = at(layout.boards, must(board, 'a board'));
      const placement = must(
        laid.placements.find(({ part }) => panels.some(({ id }) => id === part)),
        'the panel',
      );
      const part = must(
        job.parts.find(({ id }) => id === placement.part),
        'the part',
      );
      const [left, , right] = boundsOf(placePart(part, placement).faceA);
      const said = words.flatMap((each) =>
        typeof each === 'object' && 'ticks' in each ? [each.ticks] : [],
      );
      // Depth first, then from where to where along the board.
      expect(at(said, 1)).toBeGreaterThanOrEqual(left);
      expect(at(said, 2)).toBeLessThanOrEqual(right);
      expect(plainText(words)).toContain(`on face ${placement.flipped ? 'A' : 'B'}`);
    }
    expect(laidOut(plain).of.filter(({ is }) => is === 'score')).toEqual([]);
  });

  test('nails are told where they are, ends where they are trimmed, old wood is held to a magnet', () => {
    const nail: Defect = {
      kind: 'nail',
      zone: { kind: 'circle', centre: [fromMm(2400), fromMm(250)], radius: fromMm(3) },
    };
    const { of } = laidOut(plain, { defects: [nail] }, 10);
    expect(of.filter(({ is }) => is === 'nails').length).toBeGreaterThan(0);
    expect(of.filter(({ is }) => is === 'trim').length).toBeGreaterThan(0);
    const kinds = laidOut(plain).of.map(({ is }) => is);
    expect(kinds.every((is) => is === 'look')).toBe(true);
  });

  test('a panel of staves is glued up as soon as they are there', () => {
    const wood = Object.fromEntries(
      Object.entries(plain.wood).map(([role, each]) => [role, { ...each, width: fromMm(140) }]),
    );
    const { job, of } = laidOut({ ...plain, wood }, { width: fromMm(140), quantity: 12 });
    const staved = job.parts.filter(({ id }) => /\.\d+$/.test(id));
    const glue = of.filter(({ is }) => is === 'glue');
    expect(glue).toHaveLength(new Set(staved.map(({ id }) => id.split('.')[0])).size);
    expect(glue.length).toBeGreaterThan(0);
  });
});
