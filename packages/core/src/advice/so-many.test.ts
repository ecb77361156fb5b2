import { describe, expect, test } from '@jest/globals';
import { built, panel, start } from '../../test/makers.js';
import { buildBox } from '../families/index.js';
import { fromInches } from '../measure/index.js';
import { measuresOf } from '../panels/index.js';
import { pieceFor, soManyToABoard } from './so-many.js';

const KERF = fromInches(1 / 8);

describe('so many to a board', () => {
  test('eight pieces and seven kerfs in 96 in: 11 57/64 in each; a tick more would not go', () => {
    const board = fromInches(96);
    const piece = pieceFor({ count: 8, board, kerf: KERF });
    expect(8 * piece + 7 * KERF).toBeLessThanOrEqual(board);
    expect(8 * (piece + 1) + 7 * KERF).toBeGreaterThan(board);
  });

  test('eight sides to a board of 8 ft set the height of a square-cut box, and only that', () => {
    const { plan } = built(start('square-cut', 'black-capped-chickadee'), {});
    const asked = soManyToABoard({
      plan,
      panel: 'side-left',
      count: 8,
      board: fromInches(96),
      kerf: KERF,
    });
    if (!asked.ok) throw new Error(JSON.stringify(asked.why));
    expect(asked.changes.map(({ size }) => size)).toEqual(['frontHeight']);
    const made = buildBox(asked.plan);
    if (!made.ok) throw new Error('no box');
    const { blankLength } = measuresOf(panel(made.box, 'side-left'));
    expect(asked.length - blankLength).toBeGreaterThanOrEqual(0);
    expect(asked.length - blankLength).toBeLessThanOrEqual(1);
    const changed = Object.keys(plan.sizes).filter((id) => plan.sizes[id] !== asked.plan.sizes[id]);
    expect(changed).toEqual(['frontHeight']);
  });

  test('under a slope both heights move together, so that the slope stays', () => {
    const { plan } = built(start('slant-roof', 'black-capped-chickadee'), {});
    const asked = soManyToABoard({
      plan,
      panel: 'side-left',
      count: 9,
      board: fromInches(96),
      kerf: KERF,
    });
    if (!asked.ok) throw new Error(JSON.stringify(asked.why));
    const rise = ({ sizes }: typeof plan) => (sizes.backHeight ?? 0) - (sizes.frontHeight ?? 0);
    expect(rise(asked.plan)).toBe(rise(plan));
    expect(asked.changes.map(({ size }) => size)).toEqual(['frontHeight', 'backHeight']);
  });

  test('what cannot be is said: too many, or a size out of its range', () => {
    const { plan } = built(start('square-cut', 'black-capped-chickadee'), {});
    for (const count of [400, 60]) {
      const asked = soManyToABoard({
        plan,
        panel: 'side-left',
        count,
        board: fromInches(96),
        kerf: KERF,
      });
      expect(asked.ok).toBe(false);
    }
  });
});
