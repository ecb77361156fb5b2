import { ANIMALS, animalById } from '../animals/index.js';
import { parseLength, type Ticks, toMm } from '../measure/index.js';
import { MOUNTS } from '../plan/index.js';
import {
  type Coordinates,
  FACINGS,
  FINDINGS,
  type TrailBox,
  UNTOLD_BOX,
  type Visit,
} from '../trail/index.js';
import { unread } from '../wood/index.js';
import { type Cell, type CsvReading, readCsv, writeCsv } from './csv.js';

/** Columns of the boxes that are out, as CSV. The height is in millimetres unless it carries a unit; days are written 2027-03-01. */
const BOX_COLUMNS = [
  'number',
  'animal',
  'plan',
  'place',
  'latitude',
  'longitude',
  'height',
  'facing',
  'mount',
  'host',
  'keeper',
  'hung',
  'takenDown',
  'note',
] as const;

/** Columns of the visits to them; the number is the box’s. */
const VISIT_COLUMNS = [
  'number',
  'date',
  'found',
  'eggs',
  'young',
  'fledged',
  'guest',
  'cleaned',
  'wants',
  'by',
  'note',
] as const;

/** A visit with the number of the box that it was paid to. */
export interface NumberedVisit extends Visit {
  number: number;
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;

export const MOST_NUMBER = 99_999;

export function readNumber(said: string): number {
  const value = Number(said);
  if (!/^\d{1,5}$/.test(said) || value < 1)
    unread(`number: “${said}” is none; boxes are numbered from 1 to ${MOST_NUMBER}`);
  return value;
}

/** A day of the calendar; null where none is said. */
function readDay(cell: Cell, column: string): string | null {
  const said = cell(column);
  if (said === '') return null;
  const moment = new Date(`${said}T00:00:00Z`);
  if (
    !DAY.test(said) ||
    Number.isNaN(moment.getTime()) ||
    moment.toISOString().slice(0, 10) !== said
  )
    unread(`${column}: “${said}” is no day: write it as 2027-03-01`);
  return said;
}

export function coordinatesOf(latitude: number, longitude: number): Coordinates {
  if (!(Math.abs(latitude) <= 90)) unread(`latitude: ${latitude} lies not between −90 and 90`);
  if (!(Math.abs(longitude) <= 180))
    unread(`longitude: ${longitude} lies not between −180 and 180`);
  return { latitude, longitude };
}

const decimal = (said: string): number => Number(said.replace(',', '.'));

function readCoordinates(cell: Cell): Coordinates | null {
  const [latitude, longitude] = [cell('latitude'), cell('longitude')];
  if (latitude === '' && longitude === '') return null;
  if (latitude === '' || longitude === '') unread('latitude and longitude: one of them is missing');
  return coordinatesOf(decimal(latitude), decimal(longitude));
}

/** An animal by its id or its name; nothing is put in its place. */
export function readAnimal(said: string): string | null {
  if (said === '') return null;
  const wanted = said.toLowerCase();
  const named = ANIMALS.filter(({ id, name }) => id === wanted || name.toLowerCase() === wanted);
  const [first, second] = named;
  if (first && !second) return first.id;
  return unread(
    second
      ? `animal: “${said}” may be ${named.map(({ id }) => id).join(' or ')}`
      : `animal: “${said}” is not in the table of animals`,
  );
}

const oneOf = <T extends string>(options: readonly T[], said: string, column: string): T | null =>
  said === ''
    ? null
    : (options.find((each) => each === said.toLowerCase().replaceAll(' ', '-')) ??
      unread(`${column}: “${said}” is none of ${options.join(', ')}`));

function readHeight(said: string): Ticks | null {
  if (said === '') return null;
  const parsed = parseLength(said, 'mm');
  return parsed.ok && parsed.ticks > 0 ? parsed.ticks : unread(`height: “${said}” is no height`);
}

const words = (cell: Cell, column: string, most = 120): string => {
  const said = cell(column);
  return said.length <= most ? said : unread(`${column}: longer than ${most} letters`);
};

function readBox(cell: Cell): TrailBox {
  const [hungOn, takenDownOn] = [readDay(cell, 'hung'), readDay(cell, 'takenDown')];
  if (hungOn !== null && takenDownOn !== null && takenDownOn < hungOn)
    unread(`takenDown: ${takenDownOn} is before it was hung, ${hungOn}`);
  return {
    ...UNTOLD_BOX,
    number: readNumber(cell('number')),
    animal: readAnimal(cell('animal')),
    plan: words(cell, 'plan'),
    place: words(cell, 'place'),
    at: readCoordinates(cell),
    height: readHeight(cell('height')),
    facing: oneOf(FACINGS, cell('facing'), 'facing'),
    mount: oneOf(MOUNTS, cell('mount'), 'mount'),
    host: words(cell, 'host'),
    keeper: words(cell, 'keeper'),
    hungOn,
    takenDownOn,
    note: words(cell, 'note', 400),
  };
}

/** Why an entry that can be read is not wanted all the same; null where it is. */
type Refuse<Entry> = (entry: Entry) => string | null;

const unlessRefused =
  <Entry>(read: (cell: Cell) => Entry, refuse: Refuse<Entry>) =>
  (cell: Cell): Entry => {
    const entry = read(cell);
    const why = refuse(entry);
    return why === null ? entry : unread(why);
  };

/** Reads boxes that are out from CSV. Good lines are kept whatever stands on the others. */
export const readBoxesCsv = (
  text: string,
  refuse: Refuse<TrailBox> = () => null,
): CsvReading<TrailBox> =>
  readCsv(text, {
    columns: BOX_COLUMNS,
    needed: ['number'],
    read: unlessRefused(readBox, refuse),
  });

const animalName = (id: string | null): string => (id === null ? '' : (animalById(id)?.id ?? id));

/** Boxes that are out as CSV. */
export const writeBoxesCsv = (boxes: readonly TrailBox[]): string =>
  writeCsv(
    BOX_COLUMNS,
    boxes.map((box) => [
      box.number,
      animalName(box.animal),
      box.plan,
      box.place,
      box.at?.latitude ?? '',
      box.at?.longitude ?? '',
      box.height === null ? '' : toMm(box.height),
      box.facing ?? '',
      box.mount ?? '',
      box.host,
      box.keeper,
      box.hungOn ?? '',
      box.takenDownOn ?? '',
      box.note,
    ]),
  );

function readCount(cell: Cell, column: string): number | null {
  const said = cell(column);
  if (said === '') return null;
  if (!/^\d{1,3}$/.test(said) || Number(said) > 200) unread(`${column}: “${said}” is no count`);
  return Number(said);
}

const YES = ['yes', 'true', '1'];
const NO = ['', 'no', 'false', '0'];

function readVisit(cell: Cell): NumberedVisit {
  const cleaned = cell('cleaned').toLowerCase();
  if (![...YES, ...NO].includes(cleaned)) unread(`cleaned: “${cleaned}” is neither yes nor no`);
  return {
    number: readNumber(cell('number')),
    on: readDay(cell, 'date') ?? unread('date: when was it?'),
    found: oneOf(FINDINGS, cell('found'), 'found') ?? unread('found: what was in it?'),
    eggs: readCount(cell, 'eggs'),
    young: readCount(cell, 'young'),
    fledged: readCount(cell, 'fledged'),
    guest: words(cell, 'guest'),
    cleaned: YES.includes(cleaned),
    wants: words(cell, 'wants', 400),
    by: words(cell, 'by'),
    note: words(cell, 'note', 400),
  };
}

/** Reads visits from CSV. Good lines are kept whatever stands on the others. */
export const readVisitsCsv = (
  text: string,
  refuse: Refuse<NumberedVisit> = () => null,
): CsvReading<NumberedVisit> =>
  readCsv(text, {
    columns: VISIT_COLUMNS,
    needed: ['number', 'date', 'found'],
    read: unlessRefused(readVisit, refuse),
  });

/** Visits as CSV. */
export const writeVisitsCsv = (visits: readonly NumberedVisit[]): string =>
  writeCsv(
    VISIT_COLUMNS,
    visits.map((visit) => [
      visit.number,
      visit.on,
      visit.found,
      visit.eggs ?? '',
      visit.young ?? '',
      visit.fledged ?? '',
      visit.guest,
      visit.cleaned ? 'yes' : 'no',
      visit.wants,
      visit.by,
      visit.note,
    ]),
  );
