import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BIT_KINDS, type Bit, USUAL_BITS } from '../building/index.js';
import { type OwnedSaw, SAW_KINDS } from '../cuts/index.js';
import { fromMm } from '../measure/index.js';
import { readBitsCsv, readSawsCsv, writeBitsCsv, writeSawsCsv } from './tools-csv.js';

const angle = (least: number, most: number) =>
  fc.integer({ min: least * 10, max: most * 10 }).map((tenths) => tenths / 10);
const ticks = fc.integer({ min: 1, max: 4_000_000 });
const saw: fc.Arbitrary<OwnedSaw> = fc.record({
  name: fc.stringMatching(/^[A-Za-z][A-Za-z0-9 ,"'-]{0,40}[a-z]$/),
  kind: fc.constantFrom(...SAW_KINDS),
  kerf: ticks,
  capacity: fc.option(ticks),
  maxMitre: angle(0, 90),
  maxTilt: angle(0, 90),
  tiltsTo: fc.constantFrom('left' as const, 'right' as const, 'both' as const),
  handMin: fc.integer({ min: 0, max: 4_000_000 }),
  hasStop: fc.boolean(),
  mitreOff: angle(-5, 5),
  tiltOff: angle(-5, 5),
});

describe('saws and bits as CSV', () => {
  test('what is written reads back', () => {
    fc.assert(
      fc.property(fc.uniqueArray(saw, { selector: ({ name }) => name, maxLength: 6 }), (saws) => {
        const { entries, problems } = readSawsCsv(writeSawsCsv(saws));
        expect(problems).toEqual([]);
        expect(entries).toEqual(saws);
      }),
      { numRuns: 60 },
    );
    expect(readBitsCsv(writeBitsCsv(USUAL_BITS))).toEqual({
      entries: [...USUAL_BITS],
      problems: [],
    });
  });

  test('a wrong line is named with its column, and the others are kept; a saw stands once, a bit too', () => {
    const head =
      'name,kind,kerf,capacity,maxMitre,maxTilt,tiltsTo,handMin,hasStop,mitreOff,tiltOff';
    const line = (change: Partial<Record<number, string>> = {}) =>
      ['Mitre saw', 'mitre', '2.8', '', '50', '45', 'left', '200', 'yes', '0', '0.5']
        .map((cell, at) => change[at] ?? cell)
        .join();
    const { entries, problems } = readSawsCsv(
      [
        head,
        line(),
        line(),
        line({ 0: 'Axe', 1: 'axe' }),
        line({ 0: 'Wide', 2: '0' }),
        line({ 0: 'Steep', 4: '120' }),
        line({ 0: 'Lazy', 8: 'maybe' }),
        line({ 0: 'Off', 9: '12' }),
      ].join('\n'),
    );
    expect(entries.map(({ name }) => name)).toEqual(['Mitre saw']);
    expect(problems.map(({ line: at, message }) => [at, message.split(':')[0]])).toEqual([
      [3, 'name'],
      [4, 'kind'],
      [5, 'kerf'],
      [6, 'maxMitre'],
      [7, 'hasStop'],
      [8, 'mitreOff'],
    ]);
    const bits = readBitsCsv('kind,diameter\nspade,1 1/4 in\nspade,31.75\ngimlet,3\ntwist,-2\n');
    const spade: Bit = { kind: BIT_KINDS[0], diameter: fromMm(31.75) };
    expect(bits.entries).toEqual([spade]);
    expect(bits.problems.map(({ line: at }) => at)).toEqual([4, 5]);
    expect(readSawsCsv('name,kind\nMitre saw,mitre\n').problems[0]?.message).toMatch(/lacks kerf/);
  });
});
