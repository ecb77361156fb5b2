import { beforeAll, describe, expect, test } from '@jest/globals';
import { board, planFor } from '../../../test/boxes.js';
import { testSolver } from '../../../test/solver.js';
import { animalById } from '../../animals/index.js';
import { buildBox, familyById } from '../../families/index.js';
import type { LinearSolver } from '../../layout/index.js';
import { at, must } from '../../lists/index.js';
import { fromInches, fromMm } from '../../measure/index.js';
import { measuresOf } from '../../panels/index.js';
import { fitPanelSheet, type SheetFit, sheetLacks } from './fit-sheet.js';
import { readPanelSheet } from './read-sheet.js';

let solver: LinearSolver;
beforeAll(async () => {
  solver = await testSolver();
});

const chickadee = must(animalById('black-capped-chickadee'), 'chickadee');

function fitsOf(text: string): SheetFit[] {
  const { sheet, problems } = readPanelSheet(text, 'inch');
  expect(problems).toEqual([]);
  expect(sheetLacks(sheet)).toBeNull();
  const steps = fitPanelSheet({ sheet, animal: chickadee, wood: board(19) }, solver);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

describe('a sheet of panel sizes, read', () => {
  test('panels with their counts, two lengths, thicknesses of their own and for all, the hole', () => {
    const { sheet, problems } = readPanelSheet(
      '3/4 thick\n2 sides 5 1/2 x 10 1/4 to 9 1/4\nRoof: 7 1/4 x 8 3/4, 1 thick\n\nback 140mm x 1\' 2"\nhole 1 1/8',
      'inch',
    );
    expect(problems).toEqual([]);
    expect([sheet.thickness, sheet.hole]).toEqual([fromInches(0.75), fromInches(1.125)]);
    expect(sheet.lines).toEqual([
      {
        line: 2,
        name: 'side',
        count: 2,
        width: fromInches(5.5),
        length: fromInches(10.25),
        shorter: fromInches(9.25),
        thickness: null,
      },
      {
        line: 3,
        name: 'roof',
        count: 1,
        width: fromInches(7.25),
        length: fromInches(8.75),
        shorter: null,
        thickness: fromInches(1),
      },
      {
        line: 5,
        name: 'back',
        count: 1,
        width: fromMm(140),
        length: fromInches(14),
        shorter: null,
        thickness: null,
      },
    ]);
  });

  test('a line that says no panel, no second size or no length is named; the others are read', () => {
    const { sheet, problems } = readPanelSheet('front 4 x 9\nhello\nback 5\nfloor 4 x abc', 'inch');
    expect(sheet.lines.map(({ name }) => name)).toEqual(['front']);
    expect(problems.map(({ line }) => line)).toEqual([2, 3, 4]);
    expect(sheetLacks(sheet)).toMatch(/How thick/);
    expect(sheetLacks({ ...sheet, lines: [] })).toMatch(/one panel a line/);
  });
});

describe('a sheet of panel sizes, turned into a box', () => {
  test('a sheet made from a box gives that box again', () => {
    const slant = must(familyById('slant-roof'), 'slant-roof');
    const plan = planFor(slant, chickadee);
    const made = buildBox({ ...plan, choices: { ...plan.choices, access: 'screwed' } });
    if (!made.ok) throw new Error('no box');
    const line = (id: string): string => {
      const panel = must(
        made.box.panels.find((each) => each.id === id),
        id,
      );
      const { longPoint, shortPoint, blankWidth } = measuresOf(panel);
      const mm = (ticks: number) => `${ticks / 320}mm`;
      return id.startsWith('side')
        ? `side ${mm(blankWidth)} x ${mm(longPoint)} to ${mm(shortPoint)}`
        : `${id} ${mm(blankWidth)} x ${mm(longPoint)}`;
    };
    const text = ['19mm thick', ...['front', 'back', 'side-left', 'floor', 'roof'].map(line)].join(
      '\n',
    );
    const best = at(fitsOf(text), 0);
    expect(best.misfits).toEqual([]);
    expect(best.plan.family).toBe('slant-roof');
    const again = buildBox(best.plan);
    if (!again.ok) throw new Error('no box again');
    for (const id of ['front', 'back', 'side-left', 'floor', 'roof']) {
      const [a, b] = [made, again].map(({ box }) =>
        measuresOf(
          must(
            box.panels.find((each) => each.id === id),
            id,
          ),
        ),
      );
      expect(Math.abs((a?.longPoint ?? 0) - (b?.longPoint ?? 0))).toBeLessThan(fromMm(0.5));
      expect(Math.abs((a?.blankWidth ?? 0) - (b?.blankWidth ?? 0))).toBeLessThan(fromMm(0.5));
    }
  });

  test('lumber decides: sides 11 × 5 1/2, front and back 10 1/2 × 3 1/2, floor 3 1/2 square: flat roof, gaps at both ends', () => {
    const [best] = fitsOf(
      '3/4 thick\nroof 8 x 7 1/4\n2 sides 5 1/2 x 11\nfront 3 1/2 x 10 1/2\nback 3 1/2 x 10 1/2\nfloor 3 1/2 x 3 1/2\nhole 1 9/16',
    );
    expect(best?.misfits).toEqual([]);
    expect(best?.plan.choices).toMatchObject({ walls: 'between', vents: 'gap-ends', floor: 'gap' });
    expect(best?.plan.sizes.entranceWidth).toBe(fromInches(25 / 16));
    expect(best?.plan.sizes).toMatchObject({ width: fromInches(3.5), depth: fromInches(4) });
  });

  test('one size that the others contradict is named, with what they give', () => {
    // The front stands between the sides, whose boards are 3/4 thick: back and front are of one width.
    const [best] = fitsOf(
      '3/4 thick\n2 sides 5 1/2 x 10 1/4 to 9 1/4\nfront 4 x 9 1/4\nback 4 x 13\nfloor 4 5/8 x 4\nroof 7 x 8',
    );
    expect(best?.misfits).toHaveLength(1);
    expect(best?.misfits[0]).toMatchObject({ name: 'floor' });
    // 5 1/2 less two thicknesses of 3/4.
    expect([best?.misfits[0]?.said, best?.misfits[0]?.comes]).toEqual([
      fromInches(4.625),
      fromInches(4),
    ]);
  });

  test('an entrance that has no room is told, not quietly replaced', () => {
    const [best] = fitsOf(
      '3/4 thick\n2 sides 5 1/2 x 10 1/4 to 9 1/4\nfront 4 x 9 1/4\nback 4 x 13\nfloor 4 x 4\nroof 7 x 8\nhole 3 3/4',
    );
    expect(best?.moved.map(({ asked }) => asked)).toContain(fromInches(3.75));
    expect(best && buildBox(best.plan).ok).toBe(true);
  });

  test('two slopes and gables: a ridge-roof box', () => {
    const [best] = fitsOf(
      '18mm thick\n2 gables 140mm x 250mm\n2 sides 104mm x 190mm\nfloor 104mm x 104mm\n2 slopes 200mm x 160mm',
    );
    expect(best?.plan.family).toBe('ridge-roof');
  });
});
