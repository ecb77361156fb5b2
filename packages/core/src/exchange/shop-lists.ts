import { ANIMALS, spokenName } from '../animals/index.js';
import { type Coordinates, MARK_KINDS, type TrailMark } from '../trail/index.js';
import { unread } from '../wood/index.js';
import { type CsvReading, readCsv, writeCsv } from './csv.js';

/** A column of a list that the shop keeps: free words, one of some, a day, how many, or a place. What nobody has said is empty. */
export type ListColumn = { id: string; label: string } & (
  | { kind: 'words'; most: number }
  | { kind: 'choice'; options: readonly string[] }
  | { kind: 'day' }
  | { kind: 'count'; most: number }
  | { kind: 'place' }
);

/** A list that the shop keeps beside its wood and its drawers; the first column says what it is and is never empty. */
export interface ShopList {
  id: 'aids' | 'people' | 'papers' | 'asked' | 'marks';
  title: string;
  /** What one of them is called. */
  one: string;
  /** What stands there while there is none. */
  empty: string;
  columns: readonly ListColumn[];
}

const words = (of: string, label: string, most = 120): ListColumn => ({
  id: of,
  label,
  kind: 'words',
  most,
});

export const AIDS: ShopList = {
  id: 'aids',
  title: 'Templates and jigs',
  one: 'template or jig',
  empty:
    'None is told yet. A template is a panel in full size with its holes and “inside” on it, and a line that says that it is a template; it is never part of a box. Print one at Sheets, and say here where it hangs.',
  columns: [
    words('name', 'What'),
    { id: 'kind', label: 'Kind', kind: 'choice', options: ['template', 'drilling jig', 'other'] },
    words('plan', 'Of which plan'),
    words('place', 'Hangs where'),
    words('lent_to', 'Lent to'),
    { id: 'lent_on', label: 'Lent on', kind: 'day' },
  ],
};

export const PEOPLE: ShopList = {
  id: 'people',
  title: 'People',
  one: 'person',
  empty: 'Nobody is told yet: who gets boxes, who looks after which, whose land they hang on.',
  columns: [
    words('name', 'Name'),
    words('part', 'Gets boxes, looks after, lends'),
    words('reached', 'Reached by', 200),
    words('note', 'Note', 400),
  ],
};

export const PAPERS: ShopList = {
  id: 'papers',
  title: 'Papers',
  one: 'paper',
  empty:
    'None is told yet: sheets of plans, manuals, licences, permissions of those whose land boxes hang on, and until when they hold.',
  columns: [
    words('name', 'What'),
    words('about', 'About'),
    words('place', 'Lies where'),
    { id: 'holds_until', label: 'Holds until', kind: 'day' },
    words('note', 'Note', 400),
  ],
};

const ANIMAL_WORDS = ANIMALS.map((animal) => spokenName(animal));

/** The animal that a list names in words; null where it names none. */
export const animalNamed = (words: string): string | null =>
  ANIMALS.find((animal) => spokenName(animal) === words)?.id ?? null;

export const ASKED: ShopList = {
  id: 'asked',
  title: 'Boxes asked for',
  one: 'wish',
  empty: 'Nobody has asked for boxes yet: who, how many, for which animal, and until when.',
  columns: [
    words('name', 'For whom'),
    { id: 'animal', label: 'Animal', kind: 'choice', options: ANIMAL_WORDS },
    { id: 'boxes', label: 'How many', kind: 'count', most: 1000 },
    { id: 'wanted_by', label: 'Wanted by', kind: 'day' },
    { id: 'given_on', label: 'Given on', kind: 'day' },
    words('note', 'Note', 400),
  ],
};

export const MARKS: ShopList = {
  id: 'marks',
  title: 'Feeders and rivals',
  one: 'mark',
  empty:
    'Nothing is told yet of what stands along the trail beside the boxes: feeders, and where rivals nest. Boxes that hang too near to them are named.',
  columns: [
    words('name', 'What'),
    { id: 'kind', label: 'Kind', kind: 'choice', options: MARK_KINDS },
    { id: 'place', label: 'Latitude, longitude', kind: 'place' },
    words('note', 'Note', 400),
  ],
};

export const SHOP_LISTS: readonly ShopList[] = [AIDS, PEOPLE, PAPERS, ASKED, MARKS];

const PLACE = /^\s*(-?\d{1,2}(?:\.\d+)?)\s*[,; ]\s*(-?\d{1,3}(?:\.\d+)?)\s*$/;

/** Two numbers as a phone gives them, latitude first; null where there is no such place. */
export function readPlace(typed: string): Coordinates | null {
  const [, latitude, longitude] = PLACE.exec(typed) ?? [];
  const at = { latitude: Number(latitude), longitude: Number(longitude) };
  return Math.abs(at.latitude) <= 90 && Math.abs(at.longitude) <= 180 ? at : null;
}

/** A mark as its row tells it; null while its kind or its place is not said. */
export function markOf({ name = '', kind, place = '' }: ListFields): TrailMark | null {
  const known = MARK_KINDS.find((each) => each === kind);
  const at = readPlace(place);
  return known && at ? { name, kind: known, at } : null;
}

/** What is told in one row, by the ids of the columns. */
export type ListFields = Readonly<Record<string, string>>;

const DAY = /^\d{4}-(\d{2})-(\d{2})$/;
const isDay = (said: string): boolean => {
  const at = new Date(`${said}T00:00:00Z`);
  return DAY.test(said) && !Number.isNaN(at.getTime()) && at.toISOString().startsWith(said);
};

/** What is wrong with what stands in a column; null where nothing is. */
function fault(column: ListColumn, said: string, isFirst: boolean): string | null {
  if (isFirst && said === '') return 'say what it is';
  switch (column.kind) {
    case 'words':
      return said.length > column.most ? `longer than ${column.most} letters` : null;
    case 'choice':
      return said === '' || column.options.includes(said)
        ? null
        : `“${said}” is none of ${column.options.join(', ')}`;
    case 'place':
      return said === '' || readPlace(said) !== null
        ? null
        : `“${said}” is no place: latitude −90 to 90, longitude −180 to 180`;
    case 'count':
      return said === '' || (/^[1-9]\d{0,6}$/.test(said) && Number(said) <= column.most)
        ? null
        : `“${said}” is no number from 1 to ${column.most}`;
    case 'day':
      return said === '' || isDay(said) ? null : `“${said}” is no day: write it as 2026-03-01`;
  }
}

/** What is wrong in a row, by column; what is no column of the list is wrong too. */
export function listFaults(list: ShopList, said: ListFields): { column: string; why: string }[] {
  const strange = Object.keys(said)
    .filter((key) => !list.columns.some((column) => column.id === key))
    .map((column) => ({ column, why: 'this list has no such column' }));
  const wrong = list.columns.flatMap((column, index) => {
    const why = fault(column, said[column.id] ?? '', index === 0);
    return why === null ? [] : [{ column: column.id, why }];
  });
  return [...strange, ...wrong];
}

/** Reads rows of a list from CSV; good lines are kept whatever stands on the others. */
export const readListCsv = (list: ShopList, text: string): CsvReading<ListFields> =>
  readCsv(text, {
    columns: list.columns.map((column) => column.id),
    needed: list.columns.slice(0, 1).map((column) => column.id),
    read: (cell) => {
      const said = Object.fromEntries(
        list.columns.map((column) => [column.id, cell(column.id)] as const),
      );
      const [wrong] = listFaults(list, said);
      return wrong ? unread(`${wrong.column}: ${wrong.why}`) : said;
    },
  });

/** A list as CSV. */
export const writeListCsv = (list: ShopList, rows: readonly { fields: ListFields }[]): string =>
  writeCsv(
    list.columns.map((column) => column.id),
    rows.map(({ fields }) => list.columns.map((column) => fields[column.id] ?? '')),
  );
