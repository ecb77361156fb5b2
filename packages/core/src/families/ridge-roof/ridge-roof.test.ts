import { describe, expect, test } from '@jest/globals';
import { expectSound } from '../../../test/boxes.js';
import { animalById } from '../../animals/index.js';
import { must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { type BoxPlan, startPlan } from '../../plan/index.js';
import { buildBox } from '../registry.js';
import { ridgeRoofBox } from './family.js';

const board = {
  thickness: fromMm(19),
  width: null,
  material: 'larch',
  faceA: 'rough',
  faceB: 'planed',
} as const;

/** Low walls, wide gables, and the entrance high up between the slopes. */
function highEntrance(grip: string): BoxPlan {
  const bird = must(animalById('black-capped-chickadee'), 'chickadee');
  const start = startPlan(ridgeRoofBox, bird, board);
  return {
    ...start,
    sizes: {
      ...start.sizes,
      width: fromMm(212),
      sideHeight: fromMm(80),
      entranceWidth: fromMm(28),
      entranceUpright: fromMm(28),
      entranceHeight: fromMm(128),
    },
    angles: { ...start.angles, pitch: 48 },
    choices: { ...start.choices, grip, landing: 'none', measure: 'inside' },
  };
}

describe('the ridge-roof box', () => {
  test('strips under a high entrance keep clear of both slopes, and grow shorter towards the ridge', () => {
    const built = buildBox(highEntrance('ladder'));
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    expectSound(built.box);
    const strips = built.box.panels.filter(({ role }) => role === 'ladder');
    const lengths = strips.map(({ outline }) => Math.max(...outline.map(([x]) => x)));
    expect(lengths.length).toBeGreaterThan(1);
    expect(Math.min(...lengths)).toBeLessThan(Math.max(...lengths));
  });

  test('scores grow shorter towards the ridge too', () => {
    const built = buildBox(highEntrance('kerfs'));
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    const front = must(
      built.box.panels.find(({ id }) => id === 'front'),
      'front',
    );
    const lengths = front.features.flatMap((feature) =>
      feature.kind === 'groove' && feature.purpose === 'grip'
        ? [Math.abs(feature.to[1] - feature.from[1])]
        : [],
    );
    expect(Math.min(...lengths)).toBeLessThan(Math.max(...lengths));
  });
});
