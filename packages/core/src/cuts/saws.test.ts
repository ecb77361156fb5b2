import { describe, expect, test } from '@jest/globals';
import { board, job, layout, part, placed, points } from '../../test/layouts.js';
import { STANDARD_SAW } from '../job/index.js';
import { fromMm } from '../measure/index.js';
import { planCuts } from './plan-cuts.js';
import {
  isWithin,
  limitsOf,
  type OwnedSaw,
  onScale,
  reachOfSaws,
  scaleOff,
  shopSaws,
} from './saws.js';

const saw = (kind: OwnedSaw['kind'], change: Partial<OwnedSaw> = {}): OwnedSaw => ({
  name: `${kind} saw`,
  kind,
  kerf: fromMm(2.4),
  capacity: null,
  maxMitre: 50,
  maxTilt: 45,
  tiltsTo: 'both',
  handMin: fromMm(200),
  hasStop: true,
  mitreOff: 0,
  tiltOff: 0,
  ...change,
});

describe('what the cuts of a job may be, by the saws of the shop', () => {
  test('the widest kerf of a powered saw, the largest angles of any; a rip only where a saw rips', () => {
    const owned = [
      saw('mitre', { kerf: fromMm(3), maxMitre: 60 }),
      saw('hand', { kerf: fromMm(1), maxMitre: 90, maxTilt: 90 }),
    ];
    expect(limitsOf(owned, STANDARD_SAW)).toMatchObject({
      kerf: fromMm(3),
      rip: true,
      maxMitre: 90,
      maxTilt: 90,
    });
    expect(limitsOf([saw('mitre')], STANDARD_SAW)).toMatchObject({ rip: false, maxMitre: 50 });
    expect(limitsOf([], STANDARD_SAW)).toEqual(STANDARD_SAW);
  });

  test('a job that asks for more than the saws do is told from one that does not', () => {
    const chop = [saw('mitre', { kerf: STANDARD_SAW.kerf, maxMitre: 50, maxTilt: 45 })];
    expect(isWithin(chop, { ...STANDARD_SAW, rip: false })).toBe(true);
    expect(isWithin(chop, STANDARD_SAW)).toBe(false);
    expect(isWithin(chop, { ...STANDARD_SAW, rip: false, maxTilt: 60 })).toBe(false);
    expect(isWithin(chop, { ...STANDARD_SAW, rip: false, kerf: fromMm(1) })).toBe(false);
  });

  test('the widest board that any crosses, and the shortest piece that all of them hold', () => {
    const two = [
      saw('mitre', { capacity: fromMm(310), handMin: fromMm(180) }),
      saw('table', { capacity: fromMm(400), handMin: fromMm(250) }),
    ];
    expect(reachOfSaws(two)).toEqual({ crosscut: fromMm(400), handHeld: fromMm(250) });
    expect(reachOfSaws([...two, saw('hand', { handMin: 0 })])?.crosscut).toBeNull();
    expect(reachOfSaws([saw('jigsaw')])).toBeNull();
  });

  test('a scale that is off is set so that the blade is right, and a test piece says how far it is off', () => {
    expect(onScale(14, 0.5)).toBe(13.5);
    // Set to 14 it cut 14.5: two halves show 29.
    expect(scaleOff(14, { shown: 29, before: 0 })).toBe(0.5);
    // Set to 13.5 for what was known, it is right.
    expect(scaleOff(14, { shown: 28, before: 0.5 })).toBe(0.5);
  });
});

describe('which saw makes a cut', () => {
  const tilted = {
    ...part('a', points([0, 0], [300, 0], [300, 140], [0, 140])),
    underside: points([0, 0], [310, 0], [310, 140], [0, 140]),
  };
  const of = { ...job([tilted], [board(1000, 140)]), saw: { ...STANDARD_SAW, maxTilt: 90 } };
  const laid = {
    ...layout([]),
    boards: [{ stock: 'board', piece: 0, placements: [placed('a', 0, 0)], offcuts: [] }],
  };
  const plan = (owned: readonly OwnedSaw[]) => planCuts(of, laid, { saws: shopSaws(owned) });
  const used = (owned: readonly OwnedSaw[]) => {
    const planned = plan(owned);
    return planned.ok ? planned.plan.steps.map((step) => step.saw) : planned.problems;
  };

  test('the first in the list that can; a hand saw only where no other can', () => {
    expect(used([saw('hand', { maxTilt: 90 }), saw('mitre')])).toEqual(['mitre saw']);
    const mitre = saw('mitre', { maxTilt: 10 });
    expect(used([mitre, saw('hand', { maxTilt: 90 })])).toEqual(['hand saw']);
    expect(used([saw('table'), saw('mitre')])).toEqual(['table saw']);
  });

  test('a blade that leans one way only: the piece is laid the other way round for it', () => {
    const lies = (tiltsTo: OwnedSaw['tiltsTo']) => {
      const planned = plan([saw('mitre', { tiltsTo })]);
      if (!planned.ok) throw new Error('not planned');
      const [cut] = planned.plan.steps[0]?.cuts ?? [];
      return cut && [cut.fence, cut.faceUp].join(' ');
    };
    expect(lies('left')).not.toBe(lies('right'));
  });

  test('what none can do is named with its board', () => {
    const planned = plan([saw('mitre', { maxTilt: 10 })]);
    expect(planned.ok).toBe(false);
    if (!planned.ok) expect(planned.problems).toMatchObject([{ board: 0 }]);
  });

  test('a cut longer than the saw crosses goes to another', () => {
    expect(used([saw('mitre', { capacity: fromMm(100) }), saw('track')])).toEqual(['track saw']);
  });
});
