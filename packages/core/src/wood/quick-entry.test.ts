import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromInches, fromMm } from '../measure/index.js';
import { MATERIALS } from './material.js';
import { NOMINAL_SIZES } from './nominal.js';
import { parseRackLine } from './quick-entry.js';

/** Eighths of an inch as people write them: `5 1/2`, `5-1/2`, `5½`, `5.5`, with or without a mark of inches. */
const inches = (least: number, greatest: number) =>
  fc
    .record({
      eighths: fc.integer({ min: Math.round(least * 8), max: Math.round(greatest * 8) }),
      hyphen: fc.boolean(),
      unit: fc.constantFrom('', '"', ' in', '″'),
      decimal: fc.boolean(),
    })
    .map(({ eighths, hyphen, unit, decimal }) => {
      const whole = Math.floor(eighths / 8);
      const rest = eighths % 8;
      const divisor = rest % 4 === 0 ? 4 : rest % 2 === 0 ? 2 : 1;
      const fraction = rest === 0 ? '' : `${rest / divisor}/${8 / divisor}`;
      const mixed =
        whole === 0 && fraction !== ''
          ? fraction
          : fraction === ''
            ? String(whole)
            : `${whole}${hyphen ? '-' : ' '}${fraction}`;
      return {
        text: `${decimal ? String(eighths / 8) : mixed}${unit}`,
        ticks: fromInches(eighths / 8),
      };
    });
const feet = fc
  .record({
    feet: fc.integer({ min: 1, max: 16 }),
    inches: fc.integer({ min: 0, max: 11 }),
    marks: fc.boolean(),
  })
  .map(({ feet: count, inches: over, marks }) => ({
    text:
      over === 0
        ? `${count}${marks ? "'" : 'ft'}`
        : `${count}${marks ? "'" : 'ft'} ${over}${marks ? '"' : 'in'}`,
    ticks: fromInches(count * 12 + over),
  }));
const millimetres = (least: number, greatest: number) =>
  fc
    .record({
      tenths: fc.integer({ min: least * 10, max: greatest * 10 }),
      comma: fc.boolean(),
      unit: fc.constantFrom('', 'mm', ' mm'),
    })
    .map(({ tenths, comma, unit }) => ({
      text: `${String(tenths / 10).replace('.', comma ? ',' : '.')}${unit}`,
      ticks: fromMm(tenths / 10),
    }));
const times = fc.constantFrom(' x ', 'x', ' × ', '×');
const prices = fc.constantFrom(
  { text: '', price: null },
  { text: ' 3.40', price: 340 },
  { text: ' at 12,50', price: 1250 },
  { text: ' 7 each', price: 700 },
);
const faces = fc.constantFrom(
  { text: '', faceA: 'planed', faceB: 'planed' },
  { text: ' rough', faceA: 'rough', faceB: 'rough' },
  { text: ' planed', faceA: 'planed', faceB: 'planed' },
  { text: ' rough one side', faceA: 'rough', faceB: 'planed' },
);

describe('boards in one line, however they are said', () => {
  test('in inches and feet: the sizes, the number, the faces and the price are those that were said', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        inches(0.5, 2),
        inches(2.5, 11),
        fc.oneof(feet, inches(12, 96)),
        times,
        faces,
        prices,
        (quantity, thickness, width, length, by, face, cost) => {
          // Two bare whole numbers are a nominal size: a 2 × 4 is not two inches by four.
          fc.pre(!/^\d+$/.test(thickness.text) || !/^\d+$/.test(width.text));
          const line = `${quantity} boards ${thickness.text}${by}${width.text}${by}${length.text} cedar${face.text}${cost.text}`;
          const parsed = parseRackLine(line, 'inch');
          if (!parsed.ok) throw new Error(`${line}: ${parsed.message}`);
          expect({ line, ...parsed.entry, ...parsed.entry.kind }).toMatchObject({
            line,
            quantity,
            thickness: thickness.ticks,
            width: width.ticks,
            length: length.ticks,
            faceA: face.faceA,
            faceB: face.faceB,
            price: cost.price,
            material: 'western-red-cedar',
          });
        },
      ),
      { numRuns: 400 },
    );
  });

  test('in millimetres, with points or commas', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        millimetres(9, 50),
        millimetres(60, 250),
        millimetres(300, 3000),
        times,
        prices,
        (quantity, thickness, width, length, by, cost) => {
          const line = `${quantity} spruce boards ${thickness.text}${by}${width.text}${by}${length.text}${cost.text}`;
          const parsed = parseRackLine(line, 'mm');
          if (!parsed.ok) throw new Error(`${line}: ${parsed.message}`);
          expect({ line, ...parsed.entry, ...parsed.entry.kind }).toMatchObject({
            line,
            quantity,
            thickness: thickness.ticks,
            width: width.ticks,
            length: length.ticks,
            price: cost.price,
            material: 'spruce',
          });
        },
      ),
      { numRuns: 400 },
    );
  });

  test('every nominal size brings its actual one, every material is known by its own name', () => {
    for (const size of NOMINAL_SIZES.filter(({ name }) => /^\d+×\d+$/.test(name))) {
      const parsed = parseRackLine(`2 ${size.name} x 8ft pine`, 'inch');
      expect(parsed).toMatchObject({
        ok: true,
        entry: {
          quantity: 2,
          nominal: { name: size.name },
          kind: { thickness: size.thickness, width: size.width },
        },
      });
    }
    for (const material of MATERIALS) {
      const parsed = parseRackLine(`3 ${material.name} boards 19 x 140 x 2000`, 'mm');
      expect([material.name, parsed.ok && parsed.entry.kind.material]).toEqual([
        material.name,
        material.id,
      ]);
    }
  });

  test('nothing that people type breaks it', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.stringMatching(/^[\d x/.,'"a-z½-]{0,40}$/)),
        fc.constantFrom('inch' as const, 'mm' as const),
        (line, system) => {
          const parsed = parseRackLine(line, system);
          if (parsed.ok) {
            const { thickness, width, length } = parsed.entry.kind;
            for (const size of [thickness, width, length])
              expect(Number.isInteger(size) && size > 0).toBe(true);
          } else expect(parsed.message.length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 400 },
    );
  });
});
