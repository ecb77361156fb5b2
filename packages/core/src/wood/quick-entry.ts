import { at, must } from '../lists/index.js';
import {
  type Cents,
  fromDecimal,
  parseLength,
  type Ticks,
  type UnitSystem,
} from '../measure/index.js';
import type { BoardKind, Face } from './board.js';
import { materialByWord } from './material.js';
import { NOMINAL_SIZES, type NominalSize, nominalByName } from './nominal.js';
import { Unread, unread } from './unread.js';

/** What one typed line means: so many boards of one kind under a name. */
export interface RackEntry {
  name: string;
  quantity: number;
  kind: BoardKind;
  /** The nominal size the actual one was taken from, if the line gave no actual size. */
  nominal: NominalSize | null;
}

export type ParsedEntry = { ok: true; entry: RackEntry } | { ok: false; message: string };

const NUMBER = String.raw`(?:\d+(?:\s+|-)\d+\/\d+|\d+\s*[¼½¾⅐-⅞]|[¼½¾⅐-⅞]|\d+\/\d+|\d+(?:[.,]\d+)?)`;
const LENGTH = String.raw`(?:\d+\s*(?:ft|')\s*${NUMBER}\s*(?:in|")?|${NUMBER}\s*(?:mm|cm|m|inches|inch|in|feet|foot|ft|"|')?)(?![\w.])`;
const SIZES = new RegExp(String.raw`(${LENGTH})\s*x\s*(${LENGTH})\s*x\s*(${LENGTH})`);
const NOMINAL = new RegExp(String.raw`(\d+x\d+)\s*(?:x|,|\s)\s*(${LENGTH})`);
const PRICE = /(?:^|\s)(?:at|@|for)?\s*(\d+(?:[.,]\d{1,2})?)\s*(?:each|ea)?\s*$/;

const singular = (name: string): string =>
  name.length > 3 && name.endsWith('s') && !name.endsWith('ss') ? name.slice(0, -1) : name;

function readFaces(words: string): { faceA: Face; faceB: Face } {
  const rough = /\brough|\bsawn/.test(words);
  const planed = /\bplaned|\bsmooth|\bsurfaced/.test(words);
  if (rough && (planed || /one (side|face)/.test(words)))
    return { faceA: 'rough', faceB: 'planed' };
  if (planed) return { faceA: 'planed', faceB: 'planed' };
  return { faceA: 'rough', faceB: 'rough' };
}

/** Sizes as they were said, and the words before and after them. */
interface SaidSizes {
  sizes: { thickness: string; width: string; length: string } | null;
  /** The nominal size and a length, where no three sizes were said. */
  nominal: NominalSize | null;
  length: string;
  before: string;
  after: string;
}

/** Straight marks, small letters, and an `x` between sizes set apart. */
const plain = (line: string): string =>
  line
    .replace(/[×✕]/g, 'x')
    .replace(/[″”“]/g, '"')
    .replace(/[′’]/g, "'")
    .trim()
    .toLowerCase()
    .replace(
      /(?<=[\d¼½¾⅐-⅞"'])\s*x\s*(?=[\d¼½¾⅐-⅞])|(?<=\d\s*(?:mm|cm|m|inches|inch|in|feet|foot|ft))\s*x\s*(?=[\d¼½¾⅐-⅞])/g,
      ' x ',
    );

/** How many boards, and the rest of the line, a nominal size in it drawn together (`1 x 6` is `1x6`). */
function readCount(text: string): { quantity: number; said: string } {
  const counted = /^(\d+)\s+(?!x\b|mm\b|cm\b|m\b|in\b|ft\b)(.*)$/.exec(text);
  const quantity = counted ? Number(counted[1]) : 1;
  if (quantity < 1 || quantity > 1000)
    unread(`${quantity} boards: between 1 and 1000 can be entered at once.`);
  const said = (counted?.[2] ?? text).replace(
    /(?<![\d/.,¼½¾⅐-⅞-])(\d+) x (\d+)(?= x |$|\s+(?!(?:mm|cm|m|in|inch|inches|ft|feet|foot)\b|["'])\D)/,
    (all, a: string, b: string) =>
      nominalByName(`${a}×${b}`) && !SIZES.test(all) ? `${a}x${b}` : all,
  );
  return { quantity, said };
}

function around(said: string, { index, 0: found }: RegExpExecArray) {
  return { before: said.slice(0, index), after: said.slice(index + found.length) };
}

/** A board known by its name and a length: `pickets 6ft`. */
function namedSizes(line: string, said: string): SaidSizes {
  const [, before = '', rest = ''] = /^([a-z ]+?)\s+(.*)$/.exec(said) ?? [];
  const length = new RegExp(`^${LENGTH}`).exec(rest)?.[0];
  const nominal = NOMINAL_SIZES.find((size) => size.name === singular(before));
  if (nominal && length !== undefined)
    return { sizes: null, nominal, length, before, after: rest.slice(length.length) };
  return unread(
    `“${line.trim()}” gives no size. Say thickness x width x length, for instance 5/8 x 5 1/2 x 6ft, or a nominal size and a length.`,
  );
}

function readSizes(line: string, said: string): SaidSizes {
  const asNominal = NOMINAL.exec(said);
  const nominal = asNominal?.[1] === undefined ? undefined : nominalByName(asNominal[1]);
  if (asNominal && nominal)
    return { sizes: null, nominal, length: at(asNominal, 2), ...around(said, asNominal) };
  const full = SIZES.exec(said);
  if (!full) return namedSizes(line, said);
  const [, thickness = '', width = '', length = ''] = full;
  return { sizes: { thickness, width, length }, nominal: null, length, ...around(said, full) };
}

function readMeasure(what: string, value: string, system: UnitSystem): Ticks {
  const parsed = parseLength(value, system);
  if (!parsed.ok) unread(`${what}: ${parsed.message}`);
  if (parsed.ticks <= 0) unread(`${what}: “${value}” is zero.`);
  return parsed.ticks;
}

function measured({ sizes, nominal, length }: SaidSizes, system: UnitSystem) {
  // A unit said once at the end (`12 x 1220 x 2440 mm`) holds for the bare numbers before it, but not feet.
  const lastUnit = sizes && /(mm|cm)\s*$/.exec(sizes.length) ? 'mm' : system;
  const { thickness, width } = sizes
    ? {
        thickness: readMeasure('thickness', sizes.thickness, lastUnit),
        width: readMeasure('width', sizes.width, lastUnit),
      }
    : must(nominal, 'a nominal size');
  if (thickness > width)
    unread(`The board would be thicker than wide: sizes go thickness x width x length.`);
  return { thickness, width, length: readMeasure('length', length, system) };
}

/** The price at the end of a line, each board, and the words before it. */
function readPrice(after: string): { price: Cents | null; words: string } {
  const priced = PRICE.exec(after);
  if (!priced) return { price: null, words: after };
  const price = fromDecimal(Number(at(priced, 1).replace(',', '.')));
  return { price, words: after.slice(0, priced.index) };
}

function nameFrom(before: string, nominal: NominalSize | null): string {
  const spoken = before.replace(/\b(of|a|an|the)\b/g, '').trim();
  const name = singular(spoken === '' ? (nominal?.name ?? 'board') : spoken);
  return name.charAt(0).toUpperCase() + name.slice(1);
}

function readEntry(line: string, system: UnitSystem): RackEntry {
  const text = plain(line);
  if (text === '') unread('Nothing typed. Try: 6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40');
  const { quantity, said } = readCount(text);
  const found = readSizes(line, said);
  const sizes = measured(found, system);
  const { price, words } = readPrice(found.after);
  const rest = `${found.before} ${words}`;
  const material = rest
    .split(/[^a-z]+/)
    .map(materialByWord)
    .find((each) => each !== undefined);
  const isSheet = material?.grained === false && !/rough/.test(rest);
  return {
    name: nameFrom(found.before, found.nominal),
    quantity,
    nominal: found.nominal,
    kind: {
      material: material?.id ?? 'western-red-cedar',
      ...sizes,
      ...(isSheet ? { faceA: 'planed', faceB: 'planed' } : readFaces(rest)),
      price,
      offcut: /\boffcuts?\b/.test(rest),
      grained: material?.grained ?? true,
      defects: [],
    },
  };
}

/**
 * Reads one line as people say it: `6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40`, `4 1x8 x 8ft pine planed 12.50`,
 * `ply 12 x 1220 x 2440 mm`, `3 pickets 6ft`. Thickness × width × length; a nominal size brings its actual one.
 * Rough is taken where no face is said. Bare numbers are in `system`.
 */
export function parseRackLine(line: string, system: UnitSystem): ParsedEntry {
  try {
    return { ok: true, entry: readEntry(line, system) };
  } catch (error) {
    if (error instanceof Unread) return { ok: false, message: error.message };
    throw error;
  }
}
