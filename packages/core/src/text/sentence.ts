import { fromMm, type LengthStyle, printLengthUnit, type Ticks, toMm } from '../measure/index.js';

/** A sentence cut at its lengths, so that each is shown in the reader's unit: words as text, lengths in ticks. */
export type SentencePiece = string | Ticks;

/** A length for a sentence. */
export const say = (ticks: Ticks): string => `{${Math.round(toMm(ticks) * 100) / 100}}`;

/** Core's sentences name lengths in millimetres, as `{12.5}` or, in messages that are also printed as they are, as `12.5 mm`. */
const LENGTH = /\{(-?\d+(?:\.\d+)?)\}|(-?\d+(?:\.\d+)?) mm\b/g;

/** A sentence's words and lengths, in order. */
export function piecesOf(text: string): SentencePiece[] {
  const pieces: SentencePiece[] = [];
  let from = 0;
  for (const found of text.matchAll(LENGTH)) {
    if (found.index > from) pieces.push(text.slice(from, found.index));
    pieces.push(fromMm(Number(found[1] ?? found[2])));
    from = found.index + found[0].length;
  }
  if (from < text.length) pieces.push(text.slice(from));
  return pieces;
}

/** A sentence with its lengths in the reader's unit, for where only text can stand. */
export const sentenceIn = (text: string, style: LengthStyle): string =>
  piecesOf(text)
    .map((piece) => (typeof piece === 'string' ? piece : printLengthUnit(piece, style)))
    .join('');
