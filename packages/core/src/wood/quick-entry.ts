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

const wrong = (message: string): ParsedEntry => ({ ok: false, message });
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

/**
 * Reads one line as people say it: `6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40`, `4 1x8 x 8ft pine planed 12.50`,
 * `ply 12 x 1220 x 2440 mm`, `3 pickets 6ft`. Thickness × width × length; a nominal size brings its actual one.
 * Rough is taken where no face is said. Bare numbers are in `system`.
 */
export function parseRackLine(line: string, system: UnitSystem): ParsedEntry {
  const text = line
    .replace(/[×✕]/g, 'x')
    .replace(/[″”“]/g, '"')
    .replace(/[′’]/g, "'")
    .trim()
    .toLowerCase()
    .replace(
      /(?<=[\d¼½¾⅐-⅞"'])\s*x\s*(?=[\d¼½¾⅐-⅞])|(?<=\d\s*(?:mm|cm|m|inches|inch|in|feet|foot|ft))\s*x\s*(?=[\d¼½¾⅐-⅞])/g,
      ' x ',
    );
  if (text === '') return wrong('Nothing typed. Try: 6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40');
  const counted = /^(\d+)\s+(?!x\b|mm\b|cm\b|m\b|in\b|ft\b)(.*)$/.exec(text);
  const quantity = counted ? Number(counted[1]) : 1;
  if (quantity < 1 || quantity > 1000)
    return wrong(`${quantity} boards: between 1 and 1000 can be entered at once.`);
  const said = (counted ? at(counted, 2) : text).replace(
    /(?<![\d/.,¼½¾⅐-⅞-])(\d+) x (\d+)(?= x |$|\s+(?!(?:mm|cm|m|in|inch|inches|ft|feet|foot)\b|["'])\D)/,
    (all, a: string, b: string) =>
      nominalByName(`${a}×${b}`) && !SIZES.test(all) ? `${a}x${b}` : all,
  );

  let sizes: { thickness: string; width: string; length: string } | null = null;
  let nominal: NominalSize | null = null;
  let lengthText = '';
  let before = '';
  let after = '';
  const asNominal = NOMINAL.exec(said);
  const full = SIZES.exec(said);
  if (asNominal && nominalByName(at(asNominal, 1))) {
    nominal = must(nominalByName(at(asNominal, 1)), 'nominalByName');
    lengthText = at(asNominal, 2);
    before = said.slice(0, asNominal.index);
    after = said.slice(asNominal.index + asNominal[0].length);
  } else if (full) {
    sizes = { thickness: at(full, 1), width: at(full, 2), length: at(full, 3) };
    before = said.slice(0, full.index);
    after = said.slice(full.index + full[0].length);
  } else {
    const named = /^([a-z ]+?)\s+(.*)$/.exec(said);
    const lengthFound = named ? new RegExp(`^${LENGTH}`).exec(at(named, 2)) : null;
    nominal = named
      ? (NOMINAL_SIZES.find((size) => size.name === singular(at(named, 1))) ?? null)
      : null;
    if (!nominal || !lengthFound) {
      return wrong(
        `“${line.trim()}” gives no size. Say thickness x width x length, for instance 5/8 x 5 1/2 x 6ft, or a nominal size and a length.`,
      );
    }
    before = at(must(named, 'named'), 1);
    lengthText = lengthFound[0];
    after = at(must(named, 'named'), 2).slice(lengthFound[0].length);
  }

  // A unit said once at the end (`12 x 1220 x 2440 mm`) holds for the bare numbers before it, but not feet.
  const lastUnit = sizes && /(mm|cm)\s*$/.exec(sizes.length) ? 'mm' : system;
  const measured: Ticks[] = [];
  for (const [what, value] of sizes ? Object.entries(sizes) : [['length', lengthText] as const]) {
    const parsed = parseLength(value, what === 'length' ? system : lastUnit);
    if (!parsed.ok) return wrong(`${what}: ${parsed.message}`);
    if (parsed.ticks <= 0) return wrong(`${what}: “${value}” is zero.`);
    measured.push(parsed.ticks);
  }
  const [thickness, width, length] = sizes
    ? (measured as [Ticks, Ticks, Ticks])
    : [must(nominal, 'nominal').thickness, must(nominal, 'nominal').width, at(measured, 0)];
  if (thickness > width)
    return wrong(`The board would be thicker than wide: sizes go thickness x width x length.`);

  const priced = PRICE.exec(after);
  const price: Cents | null = priced ? fromDecimal(Number(at(priced, 1).replace(',', '.'))) : null;
  const rest = `${before} ${priced ? after.slice(0, priced.index) : after}`;
  const material = rest
    .split(/[^a-z]+/)
    .map(materialByWord)
    .find((found) => found !== undefined);
  const spoken = before.replace(/\b(of|a|an|the)\b/g, '').trim();
  const name = singular(spoken === '' ? (nominal?.name ?? 'board') : spoken);
  return {
    ok: true,
    entry: {
      name: name.charAt(0).toUpperCase() + name.slice(1),
      quantity,
      nominal,
      kind: {
        material: material?.id ?? 'western-red-cedar',
        thickness,
        width,
        length,
        ...(material?.grained === false && !/rough/.test(rest)
          ? { faceA: 'planed', faceB: 'planed' }
          : readFaces(rest)),
        price,
        offcut: /\boffcuts?\b/.test(rest),
        grained: material?.grained ?? true,
        defects: [],
      },
    },
  };
}
