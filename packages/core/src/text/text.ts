import {
  type Cents,
  type Degrees,
  type FileStyle,
  type LengthStyle,
  printAngle,
  printAngleExactly,
  printArea,
  printHeight,
  printLengthUnit,
  printLiquid,
  printMoney,
  printSpace,
  printWeight,
  type Ticks,
} from '../measure/index.js';

/** A value inside a sentence, printed at the border in the reader's own unit. */
export type TextValue =
  | { kind: 'length'; ticks: Ticks }
  /** A height above the ground, in feet or metres. */
  | { kind: 'height'; ticks: Ticks }
  | { kind: 'angle'; degrees: Degrees; exact?: true }
  | { kind: 'money'; cents: Cents }
  | { kind: 'panel'; id: string }
  | { kind: 'area'; squareMetres: number }
  | { kind: 'weight'; kilograms: number }
  /** Of what is poured: glue, paint. */
  | { kind: 'liquid'; millilitres: number }
  /** Of a room. */
  | { kind: 'space'; litres: number };

/** A sentence as data: words, and values that are no words yet. Nothing reads values back out of words. */
export type Text = readonly (string | TextValue)[];

export const ofLength = (ticks: Ticks): TextValue => ({ kind: 'length', ticks });
export const ofHeight = (ticks: Ticks): TextValue => ({ kind: 'height', ticks });
export const ofAngle = (degrees: Degrees): TextValue => ({ kind: 'angle', degrees });
export const ofMoney = (cents: Cents): TextValue => ({ kind: 'money', cents });
export const ofPanel = (id: string): TextValue => ({ kind: 'panel', id });
export const ofArea = (squareMetres: number): TextValue => ({ kind: 'area', squareMetres });
export const ofWeight = (kilograms: number): TextValue => ({ kind: 'weight', kilograms });

export const ofLiquid = (millilitres: number): TextValue => ({ kind: 'liquid', millilitres });
export const ofSpace = (litres: number): TextValue => ({ kind: 'space', litres });

type Inset = string | number | TextValue | Text;

const isText = (inset: Inset): inset is Text => Array.isArray(inset);

/** Words that follow each other are one. */
function joined(parts: readonly (string | TextValue)[]): Text {
  const found: (string | TextValue)[] = [];
  for (const part of parts) {
    const last = found.at(-1);
    if (typeof part === 'string' && typeof last === 'string') found[found.length - 1] = last + part;
    else if (part !== '') found.push(part);
  }
  return found;
}

const partsOf = (inset: Inset): Text => {
  if (isText(inset)) return inset;
  return [typeof inset === 'number' ? String(inset) : inset];
};

/**
 * A sentence with values in it.
 *
 * @example text`Entrance ${ofLength(width)}, as ${name} needs.`
 */
export const text = (words: TemplateStringsArray, ...insets: Inset[]): Text =>
  joined(
    words.flatMap((word, index) => {
      const inset = insets[index];
      return inset === undefined ? [word] : [word, ...partsOf(inset)];
    }),
  );

/** Sentences one after the other, with words between. */
export const joinTexts = (texts: readonly Inset[], between: string): Text =>
  joined(
    texts.flatMap((each, index) =>
      index === 0 ? [...partsOf(each)] : [between, ...partsOf(each)],
    ),
  );

/** How values are printed: lengths in the reader's style, panels by the names that this box has for them. */
export interface Reader {
  style: LengthStyle | FileStyle;
  panel?: (id: string) => string;
}

/** A panel's id in words: `side-left` is `side left`, unless the reader has a name for it. */
const panelWords = (id: string): string => id.replaceAll('-', ' ');

/** One value in the reader's words. */
export function printValue(value: TextValue, { style, panel = panelWords }: Reader): string {
  switch (value.kind) {
    case 'length':
      return printLengthUnit(value.ticks, style);
    case 'height':
      return printHeight(value.ticks, style.system);
    case 'angle':
      return value.exact ? printAngleExactly(value.degrees) : printAngle(value.degrees);
    case 'money':
      return printMoney(value.cents);
    case 'panel':
      return panel(value.id);
    case 'area':
      return printArea(value.squareMetres, style.system);
    case 'weight':
      return printWeight(value.kilograms, style.system);
    case 'liquid':
      return printLiquid(value.millilitres, style.system);
    case 'space':
      return printSpace(value.litres, style.system);
  }
}

/** A sentence in the reader's words. */
export const printText = (sentence: Text, reader: Reader): string =>
  sentence.map((part) => (typeof part === 'string' ? part : printValue(part, reader))).join('');

/** As files and the command line have it: millimetres to the hundredth. */
export const IN_FILES: Reader = {
  style: { system: 'mm', division: 100 },
  panel: (id) => id,
};

/** A sentence in millimetres, for files and messages on the command line. */
export const plainText = (sentence: Text): string => printText(sentence, IN_FILES);
