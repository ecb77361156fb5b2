import { describe, expect, test } from '@jest/globals';
import { board, job, layout, part, placed, rectangle } from '../../test/layouts.js';
import { at } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { firstCuts } from './first-cuts.js';

const offcut = (x: number, y: number, length: number, width: number) => ({
  x: fromMm(x),
  y: fromMm(y),
  length: fromMm(length),
  width: fromMm(width),
});

describe('before the first cut', () => {
  const narrow = job([part('a', rectangle(200, 100), { quantity: 2 })], [board(900, 140)]);
  const laid = (offcuts: ReturnType<typeof offcut>[]) => ({
    ...at(layout([placed('a', 0, 0), placed('a', 203, 0, { copy: 1 })]).boards, 0),
    offcuts,
  });

  test('an offcut that keeps the full width is crosscut off before the rest is ripped, the kerf beyond the mark', () => {
    expect(firstCuts(narrow, laid([offcut(406, 0, 494, 140)])).crosscutAt).toBe(fromMm(403));
  });

  test('nothing comes first where nothing is ripped, or where the offcut is a strip beside the panels', () => {
    expect(firstCuts(narrow, laid([offcut(0, 103, 900, 37)])).crosscutAt).toBeNull();
    const wide = job([part('a', rectangle(200, 140), { quantity: 2 })], [board(900, 140)]);
    expect(firstCuts(wide, laid([offcut(406, 0, 494, 140)])).crosscutAt).toBeNull();
  });

  test('panels round a middle are named for the jigsaw; with straight cuts only, or apart, none are', () => {
    const parts = [
      part('wheel', rectangle(180, 117), { quantity: 4, grain: 'any' }),
      part('beside', rectangle(100, 300)),
    ];
    const saw = { throughCuts: false, kerf: fromMm(3) };
    const of = job(parts, [board(500, 300, { grained: false })], saw);
    const round = [
      placed('wheel', 0, 0),
      placed('wheel', 183, 0, { copy: 1, turn: 90 }),
      placed('wheel', 120, 183, { copy: 2 }),
      placed('wheel', 0, 120, { copy: 3, turn: 90 }),
      placed('beside', 310, 0),
    ];
    expect(firstCuts(of, at(layout(round).boards, 0)).jigsaw).toEqual(['wheel']);
    expect(firstCuts(of, at(layout([at(round, 0), at(round, 4)]).boards, 0)).jigsaw).toEqual([]);
    expect(firstCuts(job(parts, of.stock), at(layout(round).boards, 0)).jigsaw).toEqual([]);
  });
});
