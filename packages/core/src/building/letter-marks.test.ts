import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyPlan, mended, startFor } from '../../test/plans.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { containsAll } from '../plane/index.js';
import { bodiesOf, bodyKey, chordOf, inBox, keyOf } from './bodies.js';
import { type LetterMark, letterMarks } from './letter-marks.js';
import { type BuildPlan, planBuild } from './plan-build.js';

function lettered(plan: BoxPlan): { box: PanelSet; build: BuildPlan; marks: LetterMark[] } | null {
  const built = buildBox(plan);
  if (!built.ok) return null;
  const build = planBuild(plan, built.box, 1);
  return { box: built.box, build, marks: letterMarks(built.box, build.letters) };
}

const keyed = ({ panel, instance, face }: LetterMark): string => `${panel}:${instance} ${face}`;

function expectRead({ box, build, marks }: NonNullable<ReturnType<typeof lettered>>): void {
  // Each letter stands once on each of its two pieces, and nowhere else.
  expect(
    marks.map(({ letter, panel, instance }) => `${letter} ${panel}:${instance}`).sort(),
  ).toEqual(
    build.letters
      .flatMap(({ letter, between }) =>
        between.map(({ panel, instance }) => `${letter} ${panel}:${instance}`),
      )
      .sort(),
  );
  for (const { panel: id, instance, face, at: point, letter } of marks) {
    const panel = must(
      box.panels.find((each) => each.id === id),
      id,
    );
    const polygon = face === 'outside' ? panel.outline : panel.underside;
    expect([letter, id, instance, containsAll(polygon, [point])]).toEqual([
      letter,
      id,
      instance,
      true,
    ]);
  }
}

function expectApart(marks: readonly LetterMark[]): void {
  marks.forEach((mark, index) => {
    for (const other of marks.slice(index + 1))
      if (keyed(other) === keyed(mark)) {
        const off = Math.hypot(mark.at[0] - other.at[0], mark.at[1] - other.at[1]);
        expect([keyed(mark), mark.letter, other.letter, off > fromMm(6)]).toEqual([
          keyed(mark),
          mark.letter,
          other.letter,
          true,
        ]);
      }
  });
}

describe('letters on the pieces of a kit', () => {
  test('stand on wood, once on each of the two pieces that meet: every kind of box', () => {
    for (const family of FAMILIES) expectRead(must(lettered(startFor(family)), family.id));
  });

  test.each(FAMILIES.map((family) => [family.id, family] as const))(
    'whatever the maker chooses: %s',
    (_id, family) => {
      fc.assert(
        fc.property(anyPlan(family, false), (plan) => {
          const made = lettered(mended(family, plan));
          if (!made) return;
          expectRead(made);
          expectApart(made.marks);
        }),
        { numRuns: 6 },
      );
    },
  );

  test('of a slant-roof box: a letter in a face lies under the neighbour, one at an edge beside it', () => {
    const { box, build, marks } = must(
      lettered(startFor(must(familyById('slant-roof'), 'slant roof'))),
      'built',
    );
    const bodies = new Map(bodiesOf(box).map((body) => [keyOf(body), body]));
    let [inFaces, atEdges] = [0, 0];
    for (const { letter, panel, instance, face, at } of marks) {
      const own = must(bodies.get(bodyKey(panel, instance)), panel);
      const pair = must(
        build.letters.find((each) => each.letter === letter),
        letter,
      ).between;
      const other = must(
        pair.find((copy) => copy.panel !== panel || copy.instance !== instance),
        letter,
      );
      const body = must(bodies.get(bodyKey(other.panel, other.instance)), other.panel);
      const deep = face === 'outside' ? 0 : own.panel.thickness;
      const point = inBox(own, at, deep);
      const out = face === 'outside' ? own.outsideNormal : own.outsideNormal.map((n) => -n);
      const chord = chordOf(body, point, [out[0] ?? 0, out[1] ?? 0, out[2] ?? 0]);
      const covered = chord !== null && Math.abs(chord[0]) < fromMm(1.1);
      if (covered) inFaces += 1;
      else {
        // Beside the edge: the neighbour is no further than the letter stands from its edge and half the contact’s width.
        const near = body.planes.map(
          ({ normal, offset }) =>
            normal[0] * point[0] + normal[1] * point[1] + normal[2] * point[2] - offset,
        );
        expect(Math.max(...near)).toBeLessThan(fromMm(20));
        atEdges += 1;
      }
    }
    expect(inFaces).toBeGreaterThan(3);
    expect(atEdges).toBeGreaterThan(3);
  });
});
