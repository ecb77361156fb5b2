import { describe, expect, test } from '@jest/globals';
import { startFor } from '../../test/plans.js';
import { buildBox, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import type { Panel } from '../panels/index.js';
import { boundsOf, type Point } from '../plane/index.js';
import { woodOfPanel } from './panel-wood.js';

function side(): Panel {
  const built = buildBox(startFor(must(familyById('slant-roof'), 'slant-roof')));
  const panels = built.ok ? built.box.panels : [];
  return must(
    panels.find(({ id }) => id === 'side-left'),
    'a side',
  );
}

describe('wood out of an old panel', () => {
  const panel = side();
  const [left, bottom, right, top] = boundsOf([...panel.outline, ...panel.underside]);
  const middle = (left + right) / 2;

  test('is a straight piece within both faces, as thick as the panel', () => {
    const wood = must(woodOfPanel(panel, []), 'wood');
    expect(wood.thickness).toBe(panel.thickness);
    expect(wood.length).toBeLessThanOrEqual(right - left);
    expect(wood.width).toBeLessThanOrEqual(top - bottom);
    // A side is a rectangle with its top cut slanting: more than half of it is straight.
    expect(wood.length * wood.width).toBeGreaterThan(((right - left) * (top - bottom)) / 2);
  });

  test('keeps clear of what is cut through', () => {
    const half = must(woodOfPanel(panel, [[middle, bottom, right, top]]), 'half of it');
    expect(half.length).toBeLessThanOrEqual(middle - left + 1);
    expect(woodOfPanel(panel, [[left, bottom, right, top]])).toBeNull();
  });

  test('of a narrow stick or a slab off a log there is none', () => {
    const narrow = panel.outline.map(([x, y]): Point => [x, y / 100]);
    expect(woodOfPanel({ ...panel, outline: narrow, underside: narrow }, [])).toBeNull();
    expect(woodOfPanel({ ...panel, fromLog: true }, [])).toBeNull();
  });
});
