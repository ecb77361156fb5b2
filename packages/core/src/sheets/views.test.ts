import { describe, expect, test } from '@jest/globals';
import { animalById } from '../animals/index.js';
import { buildBox, slantRoof } from '../families/index.js';
import { at, must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { startPlan } from '../plan/index.js';
import { areaOf } from '../plane/index.js';
import { behindSection, frontView, middleSection } from './views.js';

const built = buildBox(
  startPlan(slantRoof, must(animalById('black-capped-chickadee'), 'black-capped-chickadee'), {
    thickness: fromMm(16),
    width: null,
    material: 'spruce',
    faceA: 'rough',
    faceB: 'rough',
  }),
);
if (!built.ok) throw new Error('the plan is not sound');
const { box } = built;
const cavity = at(box.cavities, 0);

describe('drawings are read off the solids', () => {
  test('the section cuts front, back, floor and roof, and each has the area of thickness × length', () => {
    const section = middleSection(box);
    expect(section.map((face) => face.panel)).toEqual(['front', 'back', 'floor', 'roof']);
    const floor = must(
      section.find((face) => face.panel === 'floor'),
      'floor',
    );
    expect(areaOf(floor.points)).toBeCloseTo(fromMm(16) * cavity.depth, -3);
  });

  test('the far side stands behind the cut', () => {
    expect(new Set(behindSection(box).map((face) => face.panel))).toEqual(new Set(['side-right']));
  });

  test('from the front the nearest face comes last and shows the outside of the front panel', () => {
    const view = frontView(box);
    expect(new Set(view.map((face) => face.panel)).has('front')).toBe(true);
    const front = at(
      view.filter((face) => face.panel === 'front'),
      -1,
    );
    const across = front.points.map((point) => point[0]);
    expect(Math.max(...across) - Math.min(...across)).toBe(cavity.width + 2 * fromMm(16)); // front and back over the sides
  });
});
