import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ANIMALS } from '../animals/index.js';
import { MOUNTS } from '../plan/index.js';
import { FACINGS, FINDINGS, type TrailBox, UNTOLD_BOX } from '../trail/index.js';
import { writeCalendar } from './calendar-file.js';
import {
  type NumberedVisit,
  readBoxesCsv,
  readVisitsCsv,
  writeBoxesCsv,
  writeVisitsCsv,
} from './trail-csv.js';
import { readGeoJson, readGpx, writeGeoJson, writeGpx } from './trail-geo.js';

const words = fc
  .string({ unit: 'grapheme-ascii', maxLength: 40 })
  .map((text) => text.trim())
  .filter((text) => !text.startsWith("'"));
const day = fc
  .date({ min: new Date('2020-01-01'), max: new Date('2030-12-31'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10));
const degrees = (most: number) =>
  fc.integer({ min: -most * 1e6, max: most * 1e6 }).map((millionths) => millionths / 1e6 + 0);
const animal = fc.option(fc.constantFrom(...ANIMALS.map(({ id }) => id)));
const box: fc.Arbitrary<TrailBox> = fc.record({
  number: fc.integer({ min: 1, max: 99_999 }),
  animal,
  plan: words,
  place: words,
  at: fc.option(fc.record({ latitude: degrees(90), longitude: degrees(180) })),
  height: fc.option(fc.integer({ min: 1, max: 9000 }).map((mm) => mm * 320)),
  facing: fc.option(fc.constantFrom(...FACINGS)),
  mount: fc.option(fc.constantFrom(...MOUNTS)),
  host: words,
  keeper: words,
  hungOn: fc.option(day),
  takenDownOn: fc.constant(null),
  note: words,
});
const count = fc.option(fc.nat(200));
const visit: fc.Arbitrary<NumberedVisit> = fc.record({
  number: fc.integer({ min: 1, max: 99_999 }),
  on: day,
  found: fc.constantFrom(...FINDINGS),
  eggs: count,
  young: count,
  fledged: count,
  guest: words,
  cleaned: fc.boolean(),
  wants: words,
  by: words,
  note: words,
});

describe('boxes and visits as CSV', () => {
  test('come back as they went out', () => {
    fc.assert(
      fc.property(fc.array(box), (boxes) => {
        expect(readBoxesCsv(writeBoxesCsv(boxes))).toEqual({ entries: boxes, problems: [] });
      }),
    );
    fc.assert(
      fc.property(fc.array(visit), (visits) => {
        expect(readVisitsCsv(writeVisitsCsv(visits))).toEqual({ entries: visits, problems: [] });
      }),
    );
  });

  test('what cannot be is named by its line and column, the rest is read', () => {
    const lines = [
      'number,animal,latitude,longitude,height,facing,hung,takenDown',
      '1,tree swallow,46.1,8.2,5 ft,north east,2027-03-01,',
      '0,,,,,,,',
      '2,,91,8,,,,',
      '3,,46,,,,,',
      '4,dragon,,,,,,',
      '5,barn owl,,,,,,',
      '6,,,,,up,,',
      '7,,,,,,2027-02-30,',
      '8,,,,,,2027-03-01,2027-02-01',
      '9,,,,tall,,,',
    ];
    const { entries, problems } = readBoxesCsv(lines.join('\r\n'));
    expect(entries.map(({ number, facing, height }) => [number, facing, height])).toEqual([
      [1, 'north-east', 5 * 304.8 * 320],
    ]);
    expect(problems.map(({ line, message }) => `${line} ${message.split(':')[0]}`)).toEqual([
      '3 number',
      '4 latitude',
      '5 latitude and longitude',
      '6 animal',
      '7 animal',
      '8 facing',
      '9 hung',
      '10 takenDown',
      '11 height',
    ]);
    const visits = readVisitsCsv(
      'number,date,found,eggs\r\n1,2027-05-01,eggs,5\r\n1,,eggs,\r\n1,2027-05-01,gold,\r\n1,2027-05-01,eggs,-1',
    );
    expect([visits.entries.length, visits.problems.map(({ line }) => line)]).toEqual([
      1,
      [3, 4, 5],
    ]);
  });
});

describe('places as GeoJSON and GPX', () => {
  const placed = fc.array(
    fc.record({
      number: fc.integer({ min: 1, max: 99_999 }),
      at: fc.record({ latitude: degrees(90), longitude: degrees(180) }),
      place: words,
      animal,
    }),
    { minLength: 1 },
  );

  test('come back with number, animal and place', () => {
    fc.assert(
      fc.property(placed, (some) => {
        const boxes = some.map((each): TrailBox => ({ ...UNTOLD_BOX, ...each }));
        expect(readGeoJson(writeGeoJson(boxes))).toEqual({ entries: boxes, problems: [] });
      }),
    );
    fc.assert(
      fc.property(placed, (some) => {
        const boxes = some.map((each): TrailBox => ({ ...UNTOLD_BOX, ...each }));
        expect(readGpx(writeGpx(boxes))).toEqual({ entries: boxes, problems: [] });
      }),
    );
  });

  test('longitude stands before latitude, RFC 7946; a box without a place is none of them', () => {
    const boxes = [
      { ...UNTOLD_BOX, number: 4, at: { latitude: 46.5, longitude: 8.25 } },
      { ...UNTOLD_BOX, number: 5 },
    ];
    const { features } = JSON.parse(writeGeoJson(boxes));
    expect(features.map(({ geometry }: { geometry: object }) => geometry)).toEqual([
      { type: 'Point', coordinates: [8.25, 46.5] },
    ]);
    expect(writeGpx(boxes)).toMatch(/<wpt lat="46.500000" lon="8.250000">/);
  });

  test('what is none, lies outside the earth, or has far too many points is named', () => {
    const far = { ...UNTOLD_BOX, number: 1, at: { latitude: 95, longitude: 8 } };
    expect(readGeoJson(writeGeoJson([far])).problems[0]?.message).toContain('latitude');
    expect(readGpx(writeGpx([far])).problems[0]?.message).toContain('latitude');
    for (const text of [
      '<!DOCTYPE gpx [<!ENTITY a "b">]><gpx><wpt lat="1" lon="1"><name>1</name></wpt></gpx>',
      '',
      '{',
      '[]',
      '<gpx>',
      'number\r\n1',
      '<gpx></gpx>',
    ]) {
      expect(readGeoJson(text).problems).toHaveLength(1);
      expect(readGpx(text).problems).toHaveLength(1);
    }
    const many = Array.from({ length: 10_000 }, (_unused, index) => ({
      ...far,
      number: index + 1,
      at: { latitude: 1, longitude: 1 },
    }));
    for (const read of [readGpx(writeGpx(many)), readGeoJson(writeGeoJson(many))]) {
      expect(read.entries).toEqual([]);
      expect(read.problems[0]?.message).toContain('10000 points');
    }
  });
});

test('a calendar of whole days: lines of RFC 5545, one event each, the same id for the same thing', () => {
  const file = writeCalendar(
    [{ id: 'box-7', on: '2027-03-08', title: 'Visit box 7', words: 'First visit; look, and mend' }],
    Date.UTC(2027, 0, 1),
  );
  const lines = file.split('\r\n');
  expect(lines).toEqual(
    expect.arrayContaining([
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'UID:box-7@spare-knot',
      'DTSTART;VALUE=DATE:20270308',
      'SUMMARY:Visit box 7',
      String.raw`DESCRIPTION:First visit\; look\, and mend`,
      'END:VCALENDAR',
    ]),
  );
  expect(writeCalendar([], 0)).toContain('END:VCALENDAR');
});
