import { describe, expect, test } from '@jest/globals';
import { must } from '../lists/index.js';
import { animalById } from './find.js';
import { atTheHole, readyThird, sharedNeeds } from './shared.js';
import { ANIMALS } from './table.js';

const animal = (id: string) => must(animalById(id), id);
const [chickadee, bluebird, robin] = [
  animal('black-capped-chickadee'),
  animal('eastern-bluebird'),
  animal('european-robin'),
];

describe('several animals in one box', () => {
  test('one alone shares all it needs with itself', () => {
    for (const each of ANIMALS) {
      const shared = sharedNeeds([each, each]);
      expect(shared.clashes).toEqual([]);
      expect([shared.entrance, shared.cavity, shared.mount]).toEqual([
        each.entranceSize,
        each.cavity,
        each.mount,
      ]);
      expect([shared.floorWidth, shared.floorDepth]).toEqual([each.floorWidth, each.floorDepth]);
    }
  });

  test('what two share lies within what each needs, whichever stands first', () => {
    for (const a of ANIMALS)
      for (const b of ANIMALS) {
        const shared = sharedNeeds([a, b]);
        const other = sharedNeeds([b, a]);
        expect([shared.entrance, shared.clashes]).toEqual([other.entrance, other.clashes]);
        for (const { cavity } of [a, b]) {
          if (!cavity || !shared.cavity) continue;
          expect(shared.cavity[0]).toBeGreaterThanOrEqual(cavity[0] - 0.6);
          expect(shared.cavity[1]).toBeLessThanOrEqual(cavity[1] + 0.6);
        }
      }
  });

  test('a chickadee’s hole is too small for a bluebird, and the floor is the larger one’s', () => {
    const shared = sharedNeeds([chickadee, bluebird]);
    expect(shared.clashes).toContain('entrance');
    expect(shared.entrance).toBeNull();
    expect(shared.floorWidth).toBe(Math.max(chickadee.floorWidth ?? 0, bluebird.floorWidth ?? 0));
  });

  test('who wants the box first is told; animals without a date wait', () => {
    expect(readyThird({ readyBy: 'january' })).toBe(0);
    expect(readyThird({ readyBy: 'early-march' })).toBe(6);
    expect(readyThird({ readyBy: 'late-april' })).toBe(11);
    expect(readyThird({ readyBy: 'any; spring best' })).toBeNull();
    for (const { readyBy } of ANIMALS)
      expect(readyThird({ readyBy }) !== null || readyBy.startsWith('any')).toBe(true);
    const owl = animal('saw-whet-owl');
    const { first } = sharedNeeds([owl, chickadee]);
    const earliest = Math.min(readyThird(owl) ?? 99, readyThird(chickadee) ?? 99);
    for (const each of first) expect(readyThird(each)).toBe(earliest);
  });

  test('a hole shuts out who is too big, and lets in who is smaller, of the same part of the world', () => {
    const { keptOut, comeInToo } = atTheHole('na', 28.6);
    expect(keptOut.map(({ id }) => id)).toContain('eastern-bluebird');
    expect(comeInToo.map(({ id }) => id)).toContain('black-capped-chickadee');
    expect([...keptOut, ...comeInToo].every(({ region }) => region === 'na')).toBe(true);
    const all = atTheHole('na', 1000);
    expect(all.keptOut).toEqual([]);
    expect(comeInToo.length).toBeLessThan(all.comeInToo.length);
    expect(atTheHole('eu', 32).keptOut).not.toContain(robin);
  });
});
