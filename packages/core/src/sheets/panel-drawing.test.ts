import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, FAMILIES } from '../families/index.js';
import { must } from '../lists/index.js';
import { printLength, type Ticks } from '../measure/index.js';
import type { Panel } from '../panels/index.js';
import { areaOf, intersectPolygons, rectangleAt } from '../plane/index.js';
import { cornersOfText, type Drawing, type DrawnText, extentOf } from './drawing.js';
import { wrapped } from './fit-words.js';
import { panelDrawing } from './panel-drawing.js';

const say = (ticks: Ticks) => printLength(ticks, { system: 'inch', division: 16 });
const drawn: { panel: Panel; drawing: Drawing; key: string }[] = FAMILIES.flatMap((family) => {
  const built = buildBox(planFor(family, must(animalById(family.example), family.example)));
  if (!built.ok) throw new Error(family.id);
  return built.box.panels.map((panel) => ({
    panel,
    drawing: panelDrawing(panel, panel.id, say),
    key: `${family.id}: ${panel.id}`,
  }));
});
const wordsOf = ({ shapes }: Drawing): DrawnText[] =>
  shapes.flatMap((shape) => (shape.kind === 'text' ? [shape] : []));
const shared = (a: DrawnText, b: DrawnText) =>
  areaOf(intersectPolygons(cornersOfText(a), cornersOfText(b)));

describe('words on the drawing of a panel', () => {
  test('never lie on each other, and all of them stand inside the drawing', () => {
    for (const { drawing, key } of drawn) {
      const words = wordsOf(drawing);
      const [left, bottom, right, top] = extentOf(drawing);
      words.forEach((each, index) => {
        for (const [x, y] of cornersOfText(each))
          expect([key, x >= left && x <= right && y >= bottom && y <= top]).toEqual([key, true]);
        for (const other of words.slice(index + 1))
          expect([key, each.text, other.text, shared(each, other) < each.height ** 2 / 20]).toEqual(
            [key, each.text, other.text, true],
          );
      });
    }
  });

  test('never lie on a hole', () => {
    for (const { drawing, key } of drawn)
      for (const words of wordsOf(drawing))
        for (const shape of drawing.shapes) {
          if (shape.kind !== 'circle') continue;
          const { centre, radius } = shape;
          const hole = rectangleAt(centre[0] - radius, centre[1] - radius, 2 * radius, 2 * radius);
          const common = intersectPolygons(cornersOfText(words), hole);
          expect([
            key,
            words.text,
            common.length < 3 || areaOf(common) < words.height ** 2 / 20,
          ]).toEqual([key, words.text, true]);
        }
  });

  test('say every hole with its size and where it is, and every slanted edge', () => {
    for (const { panel, drawing, key } of drawn) {
      const said = wordsOf(drawing)
        .map(({ text }) => text)
        .join(' ');
      expect(said).toContain('Seen from outside, grain level.');
      for (const feature of panel.features) {
        if (!('centre' in feature) || feature.kind === 'pilot') continue;
        const [x, y] = feature.centre;
        expect([key, said]).toEqual([
          key,
          expect.stringContaining(`${say(x)} from the left and ${say(y)} from below`),
        ]);
      }
      const tilted = panel.edges.filter(({ tilt }) => Math.abs(tilt) >= 0.05);
      expect([key, said.split('tilt ').length - 1]).toEqual([key, tilted.length]);
    }
  });
});

test('sentences are broken between words, and a long word stands alone', () => {
  expect(wrapped('three words here', 11)).toEqual(['three words', 'here']);
  expect(wrapped('extraordinarily long', 5)).toEqual(['extraordinarily', 'long']);
});
