import { describe, expect, test } from '@jest/globals';
import { startFor } from '../../test/plans.js';
import { bodiesOf, keyOf, planBuild } from '../building/index.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { at, minBy, must } from '../lists/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { containsAll } from '../plane/index.js';
import { add, chordThrough, cross, negate, scale, unit, type Vec3 } from '../solid/index.js';
import { extentOf } from './drawing.js';
import { holeDrawing, holeTemplate } from './hole-drawing.js';
import { asItLies, assembledDrawing, stepDrawing } from './step-drawing.js';

const boxOf = (plan: BoxPlan): PanelSet => {
  const built = buildBox(plan);
  if (!built.ok) throw new Error(JSON.stringify(built.refusals));
  return built.box;
};

/** The eye of the pictures: from in front, the left and above. */
const EYE: Vec3 = unit([-0.5, -0.75, 0.55]);
const ACROSS = unit(cross([0, 0, 1], EYE));
const UPWARDS = cross(EYE, ACROSS);

describe('pictures of the assembly', () => {
  test.each(FAMILIES.map((family) => [family.id, family] as const))(
    '%s: the new piece is drawn beside what stands, and the last picture shows every panel',
    (_id, family) => {
      const plan = startFor(family);
      const box = boxOf(plan);
      const { steps } = planBuild(plan, box, 1);
      const drawn = steps.map((_step, step) =>
        stepDrawing(box, { steps, step, heads: [], nameOf: (id) => id }),
      );
      for (const [step, { shapes }] of drawn.entries()) {
        const layers = shapes.map(({ layer }) => layer);
        expect(layers).toContain('cut');
        expect(layers.includes('behind')).toBe(step > 0);
        expect(
          shapes
            .flatMap((each) => (each.kind === 'path' ? each.points : []))
            .flat()
            .every(Number.isFinite),
        ).toBe(true);
      }
      const whole = assembledDrawing(box);
      const [left, low, right, high] = extentOf(whole);
      expect(right - left).toBeGreaterThan(0);
      expect(high - low).toBeGreaterThan(0);
    },
  );

  test.each(['slant-roof', 'ridge-roof', 'owl', 'colony'])(
    '%s: what is nearest to the eye is drawn last, wherever one looks',
    (id) => {
      const box = boxOf(startFor(must(familyById(id), id)));
      const bodies = bodiesOf(box);
      const { shapes } = assembledDrawing(box);
      // Which body each face on paper belongs to: it is drawn alike when its panel stands alone.
      const owner = new Map<string, string>();
      for (const panel of box.panels)
        panel.instances.forEach((instance, copy) => {
          const alone = { ...box, panels: [{ ...panel, instances: [instance] }] };
          for (const shape of assembledDrawing(alone).shapes)
            if (shape.kind === 'path')
              owner.set(JSON.stringify(shape.points), `${panel.id}:${copy}`);
        });
      const faces = shapes.flatMap((shape) =>
        shape.kind === 'path' && shape.layer === 'cut' ? [shape.points] : [],
      );
      const [left, low, right, high] = extentOf({ name: '', shapes });
      let looked = 0;
      for (let index = 0; index < 400; index += 1) {
        const [u, v] = [(index * 0.754877) % 1, (index * 0.56984) % 1];
        const point = [left + u * (right - left), low + v * (high - low)] as const;
        const seen = faces.filter((face) => containsAll(face, [point])).at(-1);
        if (!seen) continue;
        const nearest = minBy(
          bodies.flatMap((body) => {
            const from = add(scale(ACROSS, point[0]), scale(UPWARDS, point[1]));
            const chord = chordThrough(body.planes, add(from, scale(EYE, 1e6)), negate(EYE));
            return chord ? [{ key: keyOf(body), enter: chord[0] }] : [];
          }),
          ({ enter }) => enter,
        );
        looked += 1;
        expect(owner.get(JSON.stringify(seen))).toBe(nearest?.key);
      }
      expect(looked).toBeGreaterThan(100);
    },
  );

  test('the box lies so that the side which its fasteners want is up', () => {
    const plan = startFor(must(familyById('slant-roof'), 'slant-roof'));
    const { steps } = planBuild(plan, boxOf(plan), 1);
    const ways = {
      top: [0, 0, 1],
      bottom: [0, 0, -1],
      front: [0, -1, 0],
      back: [0, 1, 0],
      left: [-1, 0, 0],
      right: [1, 0, 0],
    } as const;
    for (const step of steps)
      for (const up of step.ups.slice(0, 1)) expect(asItLies(step)(ways[up])[2]).toBe(1);
  });
});

describe('pictures of bored sides', () => {
  test('every hole is drawn where its distances say, the measured one with both figures', () => {
    const plan = startFor(must(familyById('slant-roof'), 'slant-roof'));
    const box = boxOf(plan);
    const { holes } = planBuild(plan, box, 1);
    const panel = must(
      box.panels.find(({ id }) => id === 'front'),
      'front',
    );
    const outside = holes.filter((hole) => hole.panel === 'front' && hole.face === 'outside');
    const measured = at(outside, 0);
    const { shapes } = holeDrawing(
      { panel, face: 'outside', holes: outside, measured: [measured] },
      (ticks) => `${ticks}`,
    );
    expect(shapes.filter(({ layer }) => layer === 'hole')).toHaveLength(outside.length);
    const words = shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
    for (const { distance } of measured.from) expect(words).toContain(`${distance}`);
    const edges = holes.filter((hole) => typeof hole.face !== 'string');
    for (const hole of edges) {
      const own = must(
        box.panels.find(({ id }) => id === hole.panel),
        hole.panel,
      );
      const drawing = holeDrawing(
        { panel: own, face: hole.face, holes: [hole], measured: [hole] },
        (ticks) => `${ticks}`,
      );
      const [rim] = drawing.shapes.filter(({ layer }) => layer === 'hole');
      const wood = must(
        drawing.shapes.find(({ layer }) => layer === 'panel'),
        'the edge',
      );
      if (rim?.kind !== 'path' || wood.kind !== 'path') throw new Error('no outline');
      const [xs, ys] = [0, 1].map((axis) => wood.points.map((point) => point[axis as 0 | 1]));
      for (const [x, y] of rim.points) {
        expect(x).toBeGreaterThan(Math.min(...must(xs, 'xs')));
        expect(x).toBeLessThan(Math.max(...must(xs, 'xs')));
        expect(y).toBeGreaterThan(Math.min(...must(ys, 'ys')));
        expect(y).toBeLessThan(Math.max(...must(ys, 'ys')));
      }
    }
  });
});

describe('templates of holes', () => {
  test.each(FAMILIES.map((family) => [family.id, family] as const))(
    '%s: at 1 : 1 every hole has its cross where it is bored, on the face or the edge',
    (_id, family) => {
      const plan = startFor(family);
      const box = boxOf(plan);
      const { holes } = planBuild(plan, box, 1);
      for (const panel of box.panels) {
        const own = holes.filter((hole) => hole.panel === panel.id && hole.instance === 0);
        for (const face of new Set(own.map((hole) => JSON.stringify(hole.face)))) {
          const bored = own.filter((hole) => JSON.stringify(hole.face) === face);
          const side = { panel, face: at(bored, 0).face, holes: bored, measured: [] };
          const { shapes } = holeTemplate(side, panel.id, String);
          const marks = shapes.flatMap((each) =>
            each.kind === 'path' && each.layer === 'mark' ? [each.points] : [],
          );
          const middles = marks.map(([[x, y] = [0, 0], [u, v] = [0, 0]]) => [
            (x + u) / 2,
            (y + v) / 2,
          ]);
          const wanted = bored.flatMap(({ at: [x, y], face: on }) => {
            const middle =
              typeof on === 'string' ? [on === 'outside' ? -y : y, x] : [x, panel.thickness - y];
            return [middle, middle];
          });
          expect(middles.map((each) => each.map(Math.round))).toEqual(
            wanted.map((each) => each.map(Math.round)),
          );
          const words = shapes.flatMap((each) => (each.kind === 'text' ? [each.text] : []));
          expect(words.filter((text) => /^\d+: /.test(text))).toHaveLength(bored.length);
        }
      }
    },
  );
});
