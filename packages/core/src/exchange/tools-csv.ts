import { BIT_KINDS, type Bit } from '../building/index.js';
import { type OwnedSaw, SAW_KINDS } from '../cuts/index.js';
import { parseLength, type Ticks, toMm } from '../measure/index.js';
import { unread } from '../wood/index.js';
import { type Cell, type CsvReading, oneOf, readCsv, writeCsv } from './csv.js';

/** Columns of the shop's saws as CSV. Lengths in millimetres unless they carry a unit, angles in degrees; an empty capacity is no limit. */
const SAW_COLUMNS = [
  'name',
  'kind',
  'kerf',
  'capacity',
  'maxMitre',
  'maxTilt',
  'tiltsTo',
  'handMin',
  'hasStop',
  'mitreOff',
  'tiltOff',
] as const;
type SawColumn = (typeof SAW_COLUMNS)[number];

function readLength(cell: Cell, column: string, least: Ticks): Ticks {
  const read = parseLength(cell(column), 'mm');
  if (!read.ok) unread(`${column}: ${read.message}`);
  if (read.ticks < least)
    unread(`${column}: “${cell(column)}” must be ${least > 0 ? 'above zero' : 'zero or more'}`);
  return read.ticks;
}

function readDegrees(cell: Cell, column: SawColumn, [least, most]: readonly [number, number]) {
  const said = cell(column);
  const angle = said === '' ? Number.NaN : Number(said.replace(',', '.'));
  if (!(angle >= least && angle <= most))
    unread(`${column}: “${said}” is no angle from ${least} to ${most}`);
  return angle;
}

function readYes(cell: Cell, column: SawColumn): boolean {
  const said = cell(column).toLowerCase();
  return oneOf(['yes', 'no'], said, column) === 'yes';
}

/** How far a scale may be off before somebody would mend it. */
const OFF = [-5, 5] as const;
const QUARTER = [0, 90] as const;
const LONGEST_NAME = 60;

function readSaw(cell: Cell): OwnedSaw {
  const name = cell('name');
  if (name === '' || name.length > LONGEST_NAME)
    unread(`name: up to ${LONGEST_NAME} letters, and not empty`);
  return {
    name,
    kind: oneOf(SAW_KINDS, cell('kind'), 'kind'),
    kerf: readLength(cell, 'kerf', 1),
    capacity: cell('capacity') === '' ? null : readLength(cell, 'capacity', 1),
    maxMitre: readDegrees(cell, 'maxMitre', QUARTER),
    maxTilt: readDegrees(cell, 'maxTilt', QUARTER),
    tiltsTo: oneOf(['left', 'right', 'both'] as const, cell('tiltsTo'), 'tiltsTo'),
    handMin: readLength(cell, 'handMin', 0),
    hasStop: readYes(cell, 'hasStop'),
    mitreOff: readDegrees(cell, 'mitreOff', OFF),
    tiltOff: readDegrees(cell, 'tiltOff', OFF),
  };
}

/** Saws out of a CSV; lines that are wrong, or name a saw twice, are named and left out. */
export function readSawsCsv(text: string): CsvReading<OwnedSaw> {
  const names = new Set<string>();
  return readCsv(text, {
    columns: SAW_COLUMNS,
    needed: SAW_COLUMNS.filter((column) => column !== 'capacity'),
    read: (cell) => {
      const saw = readSaw(cell);
      if (names.has(saw.name)) unread(`name: “${saw.name}” stands there twice`);
      names.add(saw.name);
      return saw;
    },
  });
}

export const writeSawsCsv = (saws: readonly OwnedSaw[]): string =>
  writeCsv(
    SAW_COLUMNS,
    saws.map((saw) => [
      saw.name,
      saw.kind,
      toMm(saw.kerf),
      saw.capacity === null ? '' : toMm(saw.capacity),
      saw.maxMitre,
      saw.maxTilt,
      saw.tiltsTo,
      toMm(saw.handMin),
      saw.hasStop ? 'yes' : 'no',
      saw.mitreOff,
      saw.tiltOff,
    ]),
  );

const BIT_COLUMNS = ['kind', 'diameter'] as const;

/** Bits out of a CSV: each once, however often it stands there. */
export function readBitsCsv(text: string): CsvReading<Bit> {
  const { entries, problems } = readCsv(text, {
    columns: BIT_COLUMNS,
    needed: BIT_COLUMNS,
    read: (cell): Bit => ({
      kind: oneOf(BIT_KINDS, cell('kind'), 'kind'),
      diameter: readLength(cell, 'diameter', 1),
    }),
  });
  const bits = new Map(entries.map((bit) => [`${bit.kind} ${bit.diameter}`, bit]));
  return { entries: [...bits.values()], problems };
}

export const writeBitsCsv = (bits: readonly Bit[]): string =>
  writeCsv(
    BIT_COLUMNS,
    bits.map(({ kind, diameter }) => [kind, toMm(diameter)]),
  );
