import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';
import { z } from 'zod';
import { type TrailBox, UNTOLD_BOX } from '../trail/index.js';
import { Unread, unread } from '../wood/index.js';
import type { CsvReading } from './csv.js';
import { coordinatesOf, readAnimal, readNumber } from './trail-csv.js';

/** More points than that are no trail of boxes: they are counted, and nothing is read. */
const MOST_POINTS = 5000;

/** Decimals of a degree: a tenth of a metre. */
const rounded = (degrees: number): number => Math.round(degrees * 1e6) / 1e6;

/** Boxes with a place as GeoJSON, RFC 7946: longitude before latitude. Those without one are left out. */
export const writeGeoJson = (boxes: readonly TrailBox[]): string =>
  JSON.stringify(
    {
      type: 'FeatureCollection',
      features: boxes.flatMap(({ at, number, animal, plan, place, hungOn }) =>
        at
          ? [
              {
                type: 'Feature',
                geometry: {
                  type: 'Point',
                  coordinates: [rounded(at.longitude), rounded(at.latitude)],
                },
                properties: { number, animal, plan, place, hung: hungOn },
              },
            ]
          : [],
      ),
    },
    null,
    2,
  );

const pointFeature = z.object({
  type: z.literal('Feature'),
  geometry: z.object({
    type: z.literal('Point'),
    coordinates: z.tuple([z.number(), z.number()]).rest(z.number()),
  }),
  properties: z.record(z.string(), z.unknown()).nullable(),
});
const collection = z.object({
  type: z.literal('FeatureCollection'),
  features: z.array(z.unknown()),
});

const said = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value).trim() : '';

/** Reads what can be read of every point; what cannot is named by its place in the file. */
function readEach<Raw>(
  points: readonly Raw[],
  read: (point: Raw) => TrailBox,
): CsvReading<TrailBox> {
  if (points.length > MOST_POINTS)
    return problem(
      `${points.length} points: more than the ${MOST_POINTS} boxes that are read at once. Is it a track, and not a trail of boxes?`,
    );
  const reading: CsvReading<TrailBox> = { entries: [], problems: [] };
  points.forEach((point, index) => {
    try {
      reading.entries.push(read(point));
    } catch (error) {
      if (!(error instanceof Unread)) throw error;
      reading.problems.push({ line: index + 1, message: error.message });
    }
  });
  return reading;
}

const problem = (message: string): CsvReading<TrailBox> => ({
  entries: [],
  problems: [{ line: 1, message }],
});

function readFeature(raw: unknown): TrailBox {
  const read = pointFeature.safeParse(raw);
  if (!read.success) return unread('no point: a box stands at a point');
  const { geometry, properties } = read.data;
  const [longitude, latitude] = geometry.coordinates;
  return {
    ...UNTOLD_BOX,
    number: readNumber(said(properties?.number ?? properties?.name)),
    animal: readAnimal(said(properties?.animal)),
    plan: said(properties?.plan).slice(0, 120),
    place: said(properties?.place).slice(0, 120),
    at: coordinatesOf(latitude, longitude),
  };
}

/** Reads boxes from GeoJSON, RFC 7946; lines of the problems are the points’ places in the file. */
export function readGeoJson(text: string): CsvReading<TrailBox> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return problem('no GeoJSON: it is not JSON');
  }
  const read = collection.safeParse(raw);
  if (!read.success) return problem('no GeoJSON: a FeatureCollection of points is read');
  return readEach(read.data.features, readFeature);
}

const ATTRIBUTE = '@';

/** Boxes with a place as GPX 1.1 waypoints, the number as their name. */
export const writeGpx = (boxes: readonly TrailBox[]): string => {
  const builder = new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: ATTRIBUTE,
    format: true,
  });
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    gpx: {
      '@version': '1.1',
      '@creator': 'Spare Knot',
      '@xmlns': 'http://www.topografix.com/GPX/1/1',
      wpt: boxes.flatMap(({ at, number, place, animal }) =>
        at
          ? [
              {
                '@lat': rounded(at.latitude).toFixed(6),
                '@lon': rounded(at.longitude).toFixed(6),
                name: String(number),
                ...(place && { desc: place }),
                ...(animal && { type: animal }),
              },
            ]
          : [],
      ),
    },
  });
};

const waypoint = z.object({
  '@lat': z.string(),
  '@lon': z.string(),
  name: z.unknown(),
  desc: z.unknown(),
  type: z.unknown(),
});

/** The number that stands in a name: `17`, `box 17`. */
const numberIn = (name: string): string => /\d+/.exec(name)?.[0] ?? name;

function readWaypoint(raw: unknown): TrailBox {
  const read = waypoint.partial({ name: true, desc: true, type: true }).safeParse(raw);
  if (!read.success) return unread('a point without lat and lon');
  const { '@lat': latitude, '@lon': longitude, name, desc, type } = read.data;
  return {
    ...UNTOLD_BOX,
    number: readNumber(numberIn(said(name))),
    animal: said(type) === '' ? null : readAnimal(said(type)),
    place: said(desc).slice(0, 120),
    at: coordinatesOf(Number(latitude), Number(longitude)),
  };
}

/** Reads the waypoints of a GPX 1.1 file as boxes; tracks and routes are none. A file that declares its own entities is refused. */
export function readGpx(text: string): CsvReading<TrailBox> {
  // Entities that a file declares itself are how files are made to swell.
  if (/<!DOCTYPE/i.test(text)) return problem('no GPX: it declares a document type');
  if (XMLValidator.validate(text) !== true)
    return problem('no GPX: it is not XML that holds together');
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: ATTRIBUTE,
    parseTagValue: false,
    parseAttributeValue: false,
    isArray: (name) => name === 'wpt',
  });
  const read = z
    .object({ gpx: z.object({ wpt: z.array(z.unknown()).optional() }) })
    .safeParse(parser.parse(text));
  if (!read.success) return problem('no GPX: there is no gpx in it');
  const points = read.data.gpx.wpt ?? [];
  if (points.length === 0)
    return problem('no waypoint is in it: boxes are waypoints, not tracks or routes');
  return readEach(points, readWaypoint);
}
