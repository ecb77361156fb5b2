import { at, must } from '../lists/index.js';
import {
  type Cents,
  fromDecimal,
  parseLength,
  printLength,
  type Ticks,
  type UnitSystem,
} from '../measure/index.js';
import type { BoardKind } from './board.js';
import { type Material, materialById, materialIn } from './material.js';
import { NOMINAL_SIZES, type NominalSize, nominalByName, sheetThickness } from './nominal.js';
import { factsSaid, readFaces } from './said.js';
import { Unread, unread } from './unread.js';

/** What one typed line means: so many boards of one kind under a name. */
export interface RackEntry {
  name: string;
  quantity: number;
  kind: BoardKind;
  /** The nominal size the actual one was taken from, if the line gave no actual size. */
  nominal: NominalSize | null;
}

export type ParsedEntry =
  | { ok: true; entry: RackEntry }
  | { ok: false; message: string; ask?: AskedWood };

/** A line in which everything is said but the wood: it is asked for, and the answer completes the entry. */
export interface AskedWood {
  answer(material: string): RackEntry;
}

const NUMBER = String.raw`(?:\d+(?:\s+|-)\d+\/\d+|\d+\s*[¼½¾⅐-⅞]|[¼½¾⅐-⅞]|\d+\/\d+|\d+(?:[.,]\d+)?)`;
const UNIT = `(?:mm|cm|m|inches|inch|in|feet|foot|ft|"|')`;
/** Feet end a size: `8ft 30` is eight feet and a price, `8ft 6in` and `8' 6` are not. */
const FEET = String.raw`(?:\d+\s*(?:ft|')\s*${NUMBER}\s*(?:in\b|")|\d+'\s*(?:1[01]|\d)(?![\d.,/\s]*\d))`;
const LENGTH = String.raw`(?:${FEET}|${NUMBER}\s*${UNIT}?)(?![\w.])`;
const WITH_UNIT = String.raw`(?:${FEET}|${NUMBER}\s*${UNIT})(?![\w.])`;
const SIZES = new RegExp(String.raw`(${LENGTH})\s*x\s*(${LENGTH})\s*x\s*(${LENGTH})`);
/** `47 x 100 3.9m`: the length apart, known by its unit. */
const APART = new RegExp(
  String.raw`(${LENGTH})\s*x\s*(${LENGTH})[\s,]+([a-z ]+?\s)?(${WITH_UNIT})`,
);
/** `1/2 ply 4ft x 8ft`, `12mm ply 1220 x 2440`, and `ply 4 x 8 ft 1/2`. */
const SHEET_FIRST = new RegExp(
  String.raw`(${LENGTH})\s+([a-z ]+?)\s+(${LENGTH})\s*x\s*(${LENGTH})`,
);
const SHEET_LAST = new RegExp(
  String.raw`(${LENGTH})\s*x\s*(${LENGTH})\s+([a-z ]+?\s)?(${WITH_UNIT}|\d+\/\d+)(?![\w.])`,
);
const NOMINAL = new RegExp(String.raw`(\d+x\d+)\s*(?:x|,|\s)\s*(${LENGTH})`);
const PRICE =
  /(?:^|\s)(?:at|@|for)?\s*[$£€]?\s*(\d+(?:[.,]\d{1,2})?)\s*[$£€]?\s*(?:each|ea|a piece)?\s*$/;
/** `3 x 38 x 225 scaffold boards 3.9 m`: a number of boards, their section, and their length with its unit. */
const COUNT_TIMES = new RegExp(String.raw`^(\d+) x (\d\S* x \d[^x]*?[a-z ]+${WITH_UNIT}.*)$`);
/** A bare number from here on is none of inches where thicknesses stand, nor feet where sheets' sides do. */
const THICK_INCHES = 6;
const SIDE_FEET = 12;
const LONG_FEET = 24;

const singular = (name: string): string =>
  name.length > 3 && name.endsWith('s') && !name.endsWith('ss') ? name.slice(0, -1) : name;

/** Sizes as they were said, and the words before and after them. */
interface SaidSizes {
  sizes: { thickness: string; width: string; length: string } | null;
  /** The nominal size and a length, where no three sizes were said. */
  nominal: NominalSize | null;
  length: string;
  before: string;
  after: string;
  /** A sheet whose thickness is the one that it is sold by. */
  soldBy?: true;
  /** The width is one of several that boards of this name have. */
  widthAssumed?: true;
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
  const counted =
    COUNT_TIMES.exec(text) ?? /^(\d+)\s+(?!x\b|mm\b|cm\b|m\b|in\b|ft\b|\d+\/)(.*)$/.exec(text);
  const quantity = counted ? Number(counted[1]) : 1;
  if (quantity < 1 || quantity > 1000)
    unread(`${quantity} boards: between 1 and 1000 can be entered at once.`);
  const said = (counted?.[2] ?? text).replace(
    /(?<![\d/.,¼½¾⅐-⅞-])(\d+) x (\d+)(?= x |$|\s+(?!(?:mm|cm|m|in|inch|inches|ft|feet|foot)\b|["']|\d+\/|[¼½¾⅐-⅞])\S)/,
    (all, a: string, b: string) =>
      nominalByName(`${a}×${b}`) && !SIZES.test(all) ? `${a}x${b}` : all,
  );
  return { quantity, said };
}

function around(said: string, { index, 0: found }: RegExpExecArray) {
  return { before: said.slice(0, index), after: said.slice(index + found.length) };
}

/** A board known by its name and a length: `pickets 6ft`, `pallet boards 1200`. */
function namedSizes(line: string, said: string): SaidSizes {
  const [, before = '', rest = ''] = /^([a-z ]+?)\s+(\d.*)$/.exec(said) ?? [];
  const length = new RegExp(`^${LENGTH}`).exec(rest)?.[0];
  const name = singular(before.trim());
  // `fence pickets` and `cedar pickets` are pickets.
  const exact = NOMINAL_SIZES.find((size) => ` ${name}`.endsWith(` ${size.name}`));
  const likely =
    exact ?? NOMINAL_SIZES.find((size) => name !== '' && size.name.startsWith(`${name},`));
  if (likely && length !== undefined)
    return {
      sizes: null,
      nominal: likely,
      length,
      before,
      after: rest.slice(length.length),
      ...(!exact && { widthAssumed: true }),
    };
  return unread(
    `“${line.trim()}” gives no size. Say thickness x width x length, for instance 5/8 x 5 1/2 x 6ft, or a nominal size and a length.`,
  );
}

/** Three sizes that a match gives, and the words round them; `words` stood between the sizes. */
function threeSizes(
  said: string,
  found: RegExpExecArray,
  sizes: NonNullable<SaidSizes['sizes']>,
  words = '',
): SaidSizes {
  const { before, after } = around(said, found);
  return { sizes, nominal: null, length: sizes.length, before: `${before}${words}`, after };
}

/** A sheet by its thickness and two sides, the shorter side across. */
function sheetSizes(said: string): SaidSizes | null {
  const first = SHEET_FIRST.exec(said);
  if (first && materialIn(at(first, 2))?.grained === false) {
    const [, thickness = '', words = '', width = '', length = ''] = first;
    return { ...threeSizes(said, first, { thickness, width, length }, words), soldBy: true };
  }
  const last = SHEET_LAST.exec(said);
  if (!last || materialIn(said)?.grained !== false) return null;
  const [, width = '', length = '', words = '', thickness = ''] = last;
  return { ...threeSizes(said, last, { thickness, width, length }, words), soldBy: true };
}

function readSizes(line: string, said: string): SaidSizes {
  const asNominal = NOMINAL.exec(said);
  const nominal = asNominal?.[1] === undefined ? undefined : nominalByName(asNominal[1]);
  if (asNominal && nominal)
    return { sizes: null, nominal, length: at(asNominal, 2), ...around(said, asNominal) };
  const full = SIZES.exec(said) ?? null;
  const sheet = full ? null : sheetSizes(said);
  if (sheet) return sheet;
  if (full) {
    const [, thickness = '', width = '', length = ''] = full;
    return threeSizes(said, full, { thickness, width, length });
  }
  const apart = APART.exec(said);
  if (!apart) return namedSizes(line, said);
  const [, thickness = '', width = '', words = '', length = ''] = apart;
  return threeSizes(said, apart, { thickness, width, length }, words);
}

function readMeasure(what: string, value: string, system: UnitSystem): Ticks {
  const parsed = parseLength(value, system);
  if (!parsed.ok) unread(`${what}: ${parsed.message}`);
  if (parsed.ticks <= 0) unread(`${what}: “${value}” is zero.`);
  return parsed.ticks;
}

const bare = (value: string): number =>
  /^\d+(?:[.,]\d+)?$/.test(value.trim()) ? Number(value.replace(',', '.')) : 0;

/** The unit that bare numbers are in. One said at the end holds for those before it, but not feet; and no board is six inches thick. */
function unitOfBare({ sizes, nominal, length }: SaidSizes, system: UnitSystem): UnitSystem {
  if (sizes && /(mm|cm)\s*$/.test(sizes.length)) return 'mm';
  if (sizes && bare(sizes.thickness) >= THICK_INCHES) return 'mm';
  if (nominal?.material && nominal.material !== 'plywood' && bare(length) > 100) return 'mm';
  return system;
}

const isFew = (value: string, most: number): boolean => bare(value) > 0 && bare(value) <= most;

/** Feet that go without saying: those of a sheet's sides (`4 x 8`, `4 x 8 ft`), and the length of a board that is sold by its name. */
function inFeet({ soldBy, nominal, sizes, length }: SaidSizes): { width: string; length: string } {
  const feet = (value: string, most: number) => (isFew(value, most) ? `${value.trim()}ft` : value);
  const width = sizes?.width ?? '';
  if (soldBy) return { width: feet(width, SIDE_FEET), length: feet(length, SIDE_FEET) };
  const inInches = nominal !== null && /^\d+×\d+$/.test(nominal.name);
  return { width, length: inInches ? feet(length, LONG_FEET) : length };
}

function measured(found: SaidSizes, system: UnitSystem) {
  const { sizes, nominal, soldBy } = found;
  const said = inFeet(found);
  const unit = unitOfBare(found, system);
  const millimetres = soldBy && sizes && bare(sizes.length) > 100 ? 'mm' : unit;
  const thickness = sizes
    ? readMeasure('thickness', sizes.thickness, unit)
    : must(nominal, 'a nominal size').thickness;
  const width = sizes
    ? readMeasure('width', said.width, millimetres)
    : must(nominal, 'a nominal size').width;
  const length = readMeasure('length', said.length, millimetres);
  if (thickness > width)
    unread(`The board would be thicker than wide: sizes go thickness x width x length.`);
  if (!soldBy) return { thickness, width, length };
  // The shorter side of a sheet is its width, whichever was said first.
  return {
    thickness: sheetThickness(thickness),
    width: Math.min(width, length),
    length: Math.max(width, length),
  };
}

/** The price at the end of a line, each board, and the words before it. */
function readPrice(after: string): { price: Cents | null; words: string } {
  const priced = PRICE.exec(after);
  if (!priced) return { price: null, words: after };
  const price = fromDecimal(Number(at(priced, 1).replace(',', '.')));
  return { price, words: after.slice(0, priced.index) };
}

function nameFrom(before: string, { nominal, soldBy }: SaidSizes, thickness: Ticks): string {
  const spoken = before
    .replace(/\b(of|a|an|the|sheets?(?= \w))\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const name = singular(spoken === '' ? (nominal?.name ?? 'board') : spoken);
  const thick = soldBy ? `, ${printLength(thickness, { system: 'mm', division: 10 })} mm` : '';
  return `${name.charAt(0).toUpperCase()}${name.slice(1)}${thick}`;
}

/** Everything that the line says, for a wood. */
function entryOf(text: string, found: SaidSizes, quantity: number, system: UnitSystem) {
  const sizes = measured(found, system);
  const { price, words } = readPrice(found.after);
  const rest = `${found.before} ${words}`;
  const material = materialIn(rest) ?? materialById(found.nominal?.material ?? '');
  const of = (wood: Material): RackEntry => {
    const { faces, assumed } = readFaces(rest, wood, found.nominal);
    const facts = factsSaid(text, wood, [...assumed, ...(found.widthAssumed ? ['width'] : [])]);
    return {
      name: nameFrom(found.before, found, sizes.thickness),
      quantity,
      nominal: found.nominal,
      kind: {
        material: wood.id,
        ...sizes,
        ...faces,
        price,
        offcut: /\boffcuts?\b/.test(rest),
        grained: wood.grained,
        defects: [],
        ...facts,
      },
    };
  };
  return { material, of };
}

const ASKED =
  'Which wood is it? Say it in the line, or choose it: no wood is taken for another one.';

/**
 * Reads one line as people say it: `6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40`, `1x8 x 8ft pine 12.50`, `2 4x4 8ft oak`,
 * `1/2 ply 4ft x 8ft`, `scaffold boards 3.9m`. Thickness × width × length; a nominal size brings its actual one. Faces that are not said
 * are planed, but rough for pickets, sawn, scaffold and pallet wood, and stand as assumed. A wood that is not known is asked for. Bare
 * numbers are in `system`, unless they make no board in it.
 */
export function parseRackLine(line: string, system: UnitSystem): ParsedEntry {
  try {
    const text = plain(line);
    if (text === '') unread('Nothing typed. Try: 6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40');
    const { quantity, said } = readCount(text);
    const { material, of } = entryOf(text, readSizes(line, said), quantity, system);
    if (material) return { ok: true, entry: of(material) };
    const answer = (id: string) => of(must(materialById(id), `the wood “${id}”`));
    return { ok: false, message: ASKED, ask: { answer } };
  } catch (error) {
    if (error instanceof Unread) return { ok: false, message: error.message };
    throw error;
  }
}
