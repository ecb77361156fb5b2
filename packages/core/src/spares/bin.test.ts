import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { startFor } from '../../test/plans.js';
import { writeCutListCsv } from '../exchange/index.js';
import { buildBox, FAMILIES } from '../families/index.js';
import {
  panelOfStave,
  panelsAsSawn,
  partsFor,
  pieceOf,
  readyCopies,
  sawnCopies,
} from '../job/index.js';
import { at, must, sum } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { assemblyRounds } from './assembly-round.js';
import { usefulSpares } from './useful-spares.js';
import type { KeptPlan } from './wanted.js';

interface Built {
  plan: BoxPlan;
  box: PanelSet;
}
const built = FAMILIES.map((family): Built => {
  const plan = startFor(family);
  const made = buildBox(plan);
  if (!made.ok) throw new Error(`${family.id} gives no box`);
  return { plan, box: made.box };
});
const slant = must(
  built.find(({ plan }) => plan.family === 'slant-roof'),
  'slant-roof',
);
const boxOf = (plan: BoxPlan): Built => {
  const made = buildBox(plan);
  if (!made.ok) throw new Error('no box');
  return { plan, box: made.box };
};
const piecesOf = ({ plan, box }: Built) =>
  new Map(box.panels.map((panel) => [panel.id, pieceOf(plan, panel)]));
const keptPlan = ({ plan }: Built, index: number): KeptPlan => ({
  batch: `batch-${index}`,
  name: plan.family,
  plan,
  boxes: 3,
  isTaken: false,
  ready: [],
});

describe('what a panel is as a piece', () => {
  test('left and right differ, copies of one plan do not', () => {
    for (const each of built) expect(piecesOf(boxOf(each.plan))).toEqual(piecesOf(each));
    const pieces = piecesOf(slant);
    expect(pieces.get('side-left')).toBeDefined();
    expect(pieces.get('side-left')).not.toBe(pieces.get('side-right'));
  });

  test('a deeper roof changes the roof alone; an entrance of another size the front alone', () => {
    const before = piecesOf(slant);
    const changed = ({ plan, box }: Built) =>
      [...piecesOf({ plan, box })].filter(([id, key]) => before.get(id) !== key).map(([id]) => id);
    const { sizes } = slant.plan;
    const overhang = must(sizes.overhangFront, 'its overhang');
    const deeper = { ...slant.plan, sizes: { ...sizes, overhangFront: overhang + fromMm(20) } };
    expect(changed(boxOf(deeper))).toEqual(['roof']);
    const entrance = must(sizes.entranceWidth, 'its entrance');
    const wider = { ...slant.plan, sizes: { ...sizes, entranceWidth: entrance + fromMm(3) } };
    expect(changed(boxOf(wider))).toEqual(['front']);
  });
});

describe('what lies ready is not sawn', () => {
  test('of every family: parts and ready copies add up, and nothing is counted twice', () => {
    fc.assert(
      fc.property(
        fc.nat(built.length - 1),
        fc.integer({ min: 1, max: 5 }),
        fc.array(fc.tuple(fc.nat(30), fc.integer({ min: 1, max: 9 })), { maxLength: 8 }),
        (which, boxes, lying) => {
          const { plan, box } = at(built, which);
          const ready = lying.map(([index, count]) => ({
            piece: pieceOf(plan, at(box.panels, index % box.panels.length)),
            count,
          }));
          const { copies, left } = readyCopies(plan, box, boxes, ready);
          expect(sum([...copies.values()]) + sum([...left.values()])).toBe(
            sum(ready.map(({ count }) => count)),
          );
          const all = partsFor(plan, box, boxes);
          const sawn = new Map(
            partsFor(plan, box, boxes, ready).map(({ id, quantity }) => [id, quantity]),
          );
          for (const { id, quantity } of all) {
            const panel = panelOfStave(id) ?? id.replace(/\.(outer|inner)$/, '');
            expect([id, sawn.get(id) ?? 0]).toEqual([id, quantity - (copies.get(panel) ?? 0)]);
          }
        },
      ),
    );
  });

  test('of every family: the cut list has just what is sawn, sheets of two counted with their panel', () => {
    for (const own of built) {
      const ready = [...piecesOf(own).values()].map((piece) => ({ piece, count: 1 }));
      const copiesOf = sawnCopies(own.plan, own.box, 2, ready);
      const parts = new Map(
        partsFor(own.plan, own.box, 2, ready).map(({ id, quantity }) => [id, quantity]),
      );
      for (const panel of panelsAsSawn(own.plan, own.box.panels)) {
        if (panel.fromLog) continue;
        const part = parts.get(panel.id) ?? parts.get(`${panel.id}.1`) ?? 0;
        expect([own.plan.family, panel.id, copiesOf(panel)]).toEqual([
          own.plan.family,
          panel.id,
          part,
        ]);
      }
    }
    const floor = { piece: must(piecesOf(slant).get('floor'), 'floor'), count: 3 };
    const list = writeCutListCsv(slant.plan, slant.box, 3, (id) => id, [floor]);
    expect(list).toContain('front,3,');
    expect(list).not.toContain('floor');
  });

  test('what is of another box stays of no use', () => {
    const other = { piece: 'f'.repeat(64), count: 4 };
    const { copies, left } = readyCopies(slant.plan, slant.box, 3, [other]);
    expect([copies.size, left.get(other.piece)]).toEqual([0, 4]);
    expect(partsFor(slant.plan, slant.box, 3, [other])).toEqual(partsFor(slant.plan, slant.box, 3));
  });
});

describe('what a batch takes from the bin', () => {
  const { plan, box } = slant;
  const lying = (panel: string, count: number, material?: string) => {
    const own = must(
      box.panels.find(({ id }) => id === panel),
      panel,
    );
    return {
      id: `${panel} ${material ?? ''}`,
      piece: pieceOf(plan, own),
      role: own.role,
      count,
      material: material ?? must(plan.wood[own.role], 'its wood').material,
    };
  };

  test('no more than its boxes need beside what it has, its own wood first', () => {
    const bin = [lying('floor', 2, 'ebony'), lying('floor', 2), lying('front', 9)];
    const taken = usefulSpares(plan, box, 3, [], bin);
    expect(taken.map(({ spare, count, isOtherWood }) => [spare.id, count, isOtherWood])).toEqual([
      ['floor ', 2, false],
      ['front ', 3, false],
      ['floor ebony', 1, true],
    ]);
    const has = [{ piece: lying('floor', 1).piece, count: 3 }];
    expect(usefulSpares(plan, box, 3, has, bin).map(({ spare }) => spare.id)).toEqual(['front ']);
  });
});

describe('an assembly round', () => {
  /** Counted by hand: boxes are taken out of the bin one by one until one is not whole. */
  function byHand({ plan, box }: Built, bin: ReadonlyMap<string, number>): number {
    const left = new Map(bin);
    for (let boxes = 0; ; boxes += 1)
      for (const panel of box.panels)
        for (const _copy of panel.instances) {
          const piece = pieceOf(plan, panel);
          const there = left.get(piece) ?? 0;
          if (there === 0) return boxes;
          left.set(piece, there - 1);
        }
  }

  test('gives as many whole boxes as are counted by hand, and what is short makes one more', () => {
    fc.assert(
      fc.property(
        fc.nat(built.length - 1),
        fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 40, maxLength: 40 }),
        (which, counts) => {
          const own = at(built, which);
          const bin = own.box.panels.map((panel, index) => ({
            piece: pieceOf(own.plan, panel),
            count: at(counts, index % counts.length),
          }));
          const piled = new Map<string, number>();
          for (const { piece, count } of bin) piled.set(piece, (piled.get(piece) ?? 0) + count);
          const [round] = assemblyRounds([keptPlan(own, 0)], bin);
          if (!round) {
            expect(sum(bin.map(({ count }) => count))).toBe(0);
            return;
          }
          expect(round.boxes).toBe(byHand(own, piled));
          const pieces = piecesOf(own);
          for (const { panel, short } of round.panels) {
            const piece = must(pieces.get(panel), panel);
            piled.set(piece, (piled.get(piece) ?? 0) + short);
          }
          expect(byHand(own, piled)).toBe(round.boxes + 1);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('plans of which nothing lies in the bin are left out, the most boxes come first', () => {
    const plans = built.map(keptPlan);
    const pieces = [...piecesOf(slant).values()].map((piece) => ({ piece, count: 2 }));
    const rounds = assemblyRounds(plans, pieces);
    expect(at(rounds, 0)).toMatchObject({ batchName: 'slant-roof', boxes: 2 });
    expect(rounds.length).toBeLessThan(plans.length);
    expect(assemblyRounds(plans, [])).toEqual([]);
  });
});
