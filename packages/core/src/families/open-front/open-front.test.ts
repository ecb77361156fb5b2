import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { answersOf, expectSound } from '../../../test/boxes.js';
import { ANIMALS, animalById } from '../../animals/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { measuresOf } from '../../panels/index.js';
import { type BoxPlan, startPlan } from '../../plan/index.js';
import { plainText } from '../../text/index.js';
import { buildBox, checkBox } from '../registry.js';
import { openFront } from './family.js';

const board = (mm: number) =>
  ({
    thickness: fromMm(mm),
    width: null,
    material: 'larch',
    faceA: 'rough',
    faceB: 'planed',
  }) as const;
const robin = must(animalById('european-robin'), 'european-robin');
const plan = (
  sizes: Record<string, number> = {},
  choices: Record<string, string> = {},
  thickness = 19,
): BoxPlan => {
  const start = startPlan(openFront, robin, board(thickness));
  return {
    ...start,
    sizes: {
      ...start.sizes,
      ...Object.fromEntries(Object.entries(sizes).map(([id, mm]) => [id, fromMm(mm)])),
    },
    choices: { ...start.choices, ...choices },
  };
};

describe('the open-front box', () => {
  test('its front stands as high as it is told, square at the top, with no hole in it', () => {
    const built = buildBox(plan({ frontAboveFloor: 90, floorRecess: 10 }));
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    const front = must(
      built.box.panels.find((panel) => panel.id === 'front'),
      'front',
    );
    // 90 above the floor + floor 19 + recess 10.
    expect(toMm(measuresOf(front).longPoint)).toBe(119);
    expect(front.edges.every((edge) => Math.abs(edge.tilt) < 1e-9)).toBe(true);
    expect(front.features.filter((feature) => feature.kind !== 'pilot')).toEqual([]);
    expect(toMm(at(built.box.cavities, 0).sill)).toBe(90);
    expect(built.box.openings.map((opening) => opening.kind)).toContain('open-front');
  });

  test('is sound whatever the choices', () => {
    const choices = fc.record(
      Object.fromEntries(
        openFront.choices.map((choice) => [choice.id, fc.constantFrom(...answersOf(choice))]),
      ) as Record<string, fc.Arbitrary<string>>,
    );
    fc.assert(
      fc.property(
        choices,
        fc.integer({ min: 20, max: 200 }),
        fc.integer({ min: 12, max: 32 }),
        fc.integer({ min: 0, max: 60 }),
        (choices, front, thickness, rise) => {
          const built = buildBox(
            plan(
              {
                frontAboveFloor: front,
                width: 180,
                depth: 170,
                frontHeight: 260,
                backHeight: 260 + rise,
              },
              choices,
              thickness,
            ),
          );
          if (built.ok) expectSound(built.box);
          else
            expect(['frontAboveFloor', 'backAbove', 'letIn', 'lowerBevel', 'floor']).toContain(
              at(built.refusals, 0).field,
            );
        },
      ),
      { numRuns: 80 },
    );
  });

  test('every animal of the family gets a box that breaks no rule of its own', () => {
    for (const animal of ANIMALS.filter((each) => each.family === 'open-front')) {
      const start = startPlan(openFront, animal, board(19));
      const built = buildBox(start);
      if (!built.ok) throw new Error(`${animal.id}: ${JSON.stringify(built.refusals)}`);
      expect(
        checkBox(start, built.box)
          .filter((check) => check.severity !== 'kept')
          .map((check) => `${animal.id}: ${plainText(check.text)}`),
      ).toEqual([]);
    }
  });

  test('nothing to climb by is no fault of an open front; too high a front is refused at its field', () => {
    const built = buildBox(plan());
    if (!built.ok) throw new Error('not sound');
    expect(checkBox(plan(), built.box).some((check) => check.id === 'grip')).toBe(false);
    const shut = buildBox(plan({ frontAboveFloor: 390 }));
    expect(shut).toMatchObject({ ok: false, refusals: [{ field: 'frontAboveFloor' }] });
  });
});
