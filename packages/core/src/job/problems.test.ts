import { describe, expect, test } from '@jest/globals';
import { board, job, knot, part, placed, points, rectangle } from '../../test/layouts.js';
import { at } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { LayoutJob } from './job.js';
import { jobProblems } from './problems.js';

const sound = job(
  [part('a', rectangle(200, 80), { quantity: 2 })],
  [board(900, 100, { quantity: 2, defects: [knot(300, 50, 8)] })],
);
const [good, plank] = [at(sound.parts, 0), at(sound.stock, 0)];
const pin = { ...placed('a', 0, 0), stock: 'board', piece: 0 };

const pathsOf = (of: LayoutJob) => jobProblems(of).map(({ path }) => path);

describe('what contradicts itself in a job', () => {
  test('a sound job has none, even with a part that fits no board', () => {
    expect(jobProblems(sound)).toEqual([]);
    const large = part('b', rectangle(9000, 80));
    expect(jobProblems({ ...sound, parts: [good, large] })).toEqual([]);
    expect(jobProblems({ ...sound, pinned: [pin, { ...pin, copy: 1, x: 0, piece: 1 }] })).toEqual(
      [],
    );
  });

  test.each<[string, LayoutJob, string]>([
    ['a negative kerf', { ...sound, saw: { ...sound.saw, kerf: -1 } }, 'saw.kerf'],
    ['a negative trim', { ...sound, saw: { ...sound.saw, endTrim: -1 } }, 'saw.endTrim'],
    ['a part that stands there twice', { ...sound, parts: [good, good] }, 'parts[1].id'],
    [
      'a part without thickness',
      { ...sound, parts: [{ ...good, thickness: 0 }] },
      'parts[0].thickness',
    ],
    ['too many copies', { ...sound, parts: [{ ...good, quantity: 1e6 }] }, 'parts[0].quantity'],
    [
      'a line for a part',
      { ...sound, parts: [part('a', points([0, 0], [100, 0]))] },
      'parts[0].outline',
    ],
    [
      'corners that run clockwise',
      { ...sound, parts: [part('a', [...rectangle(200, 80)].reverse())] },
      'parts[0].outline',
    ],
    [
      'a part with a dent',
      { ...sound, parts: [part('a', points([0, 0], [100, 0], [50, 20], [100, 80], [0, 80]))] },
      'parts[0].outline',
    ],
    [
      'faces that do not match',
      { ...sound, parts: [{ ...good, underside: points([0, 0], [100, 0], [0, 80]) }] },
      'parts[0].underside',
    ],
    ['a board that stands there twice', { ...sound, stock: [plank, plank] }, 'stock[1].id'],
    [
      'a board without length',
      { ...sound, stock: [{ ...plank, length: 0, defects: [] }] },
      'stock[0].length',
    ],
    ['a price below nothing', { ...sound, stock: [{ ...plank, price: -5 }] }, 'stock[0].price'],
    [
      'a knot beside its board',
      { ...sound, stock: [{ ...plank, defects: [knot(300, 500, 8)] }] },
      'stock[0].defects[0]',
    ],
    [
      'a pin of a part that is not there',
      { ...sound, pinned: [{ ...pin, part: 'z' }] },
      'pinned[0].part',
    ],
    ['a pin of a copy too many', { ...sound, pinned: [{ ...pin, copy: 2 }] }, 'pinned[0].copy'],
    [
      'a pin on a board that is not there',
      { ...sound, pinned: [{ ...pin, stock: 'z' }] },
      'pinned[0].stock',
    ],
    ['a pin on a piece too many', { ...sound, pinned: [{ ...pin, piece: 2 }] }, 'pinned[0].piece'],
    ['a copy pinned twice', { ...sound, pinned: [pin, { ...pin, x: fromMm(300) }] }, 'pinned[1]'],
  ])('%s is named at its place', (_, of, path) => {
    // A part whose two faces are one outline has the same fault on both.
    const both = path.endsWith('.outline') ? [path, path.replace('outline', 'underside')] : [path];
    expect(pathsOf(of)).toEqual(both);
  });

  test('all of them are told at once', () => {
    const of = {
      ...sound,
      saw: { ...sound.saw, kerf: -1 },
      parts: [{ ...good, thickness: 0 }],
      pinned: [{ ...pin, copy: 7 }],
    };
    expect(pathsOf(of)).toEqual(['saw.kerf', 'parts[0].thickness', 'pinned[0].copy']);
  });
});
