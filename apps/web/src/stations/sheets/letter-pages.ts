import { type LetterMark, letterMarks } from '@spare-knot/core/building';
import { fromMm, type Ticks } from '@spare-knot/core/measure';
import { boundsOf } from '@spare-knot/core/plane';
import type { LetteredPiece } from '@spare-knot/core/sheets';
import type { Built } from '../build/use-build';
import { type Block, fill } from './pages';
import { type Heights, heightOf, MARGIN, type PaperSize, roomOn } from './paper';

/** Pieces beside each other, what parts them and their rows, and the highest that one is drawn. Millimetres. */
const ACROSS = 3;
const GAP = 6;
export const ROW_GAP = 3;
const HIGHEST = 88;

/** A side of one copy of a panel with its letters. */
export interface PieceOnPaper extends LetteredPiece {
  instance: number;
  copies: number;
}

/** Letters on paper, and what one millimetre of paper is of the wood. */
export interface LetterPages {
  pages: readonly (readonly PieceOnPaper[])[];
  scale: number;
  width: number;
  letters: Ticks;
}

const LETTER_MM = 4.2;

const sizeOf = ({ panel }: LetteredPiece): { wide: number; high: number } => {
  const [x0, y0, x1, y1] = boundsOf([...panel.outline, ...panel.underside]);
  return { wide: y1 - y0, high: x1 - x0 };
};

/** Every copy of every panel with what is written on it: its inside, and its outside where a letter stands there. */
function piecesOf({ box }: Built, marks: readonly LetterMark[]): PieceOnPaper[] {
  return box.panels.flatMap((panel) =>
    panel.instances.flatMap((_each, instance) => {
      const own = marks.filter((mark) => mark.panel === panel.id && mark.instance === instance);
      const on = (face: 'inside' | 'outside'): PieceOnPaper => ({
        panel,
        instance,
        copies: panel.instances.length,
        face,
        marks: own.filter((mark) => mark.face === face),
      });
      const both = [on('inside'), on('outside')];
      return own.length === 0 ? [] : both.filter((side) => side.marks.length > 0);
    }),
  );
}

/** The name under which a piece is measured. */
export const pieceName = ({ panel, instance, face }: PieceOnPaper): string =>
  `piece ${panel.id} ${instance} ${face}`;

/** The pieces with their letters, all at one scale, by the sheets that they stand on. */
export function letterPages(built: Built, size: PaperSize, heights: Heights | null): LetterPages {
  const pieces = piecesOf(built, letterMarks(built.box, built.build.letters));
  // A hair less than a third: rounding must not push the last piece of a row to the next.
  const width = (size.width - 2 * MARGIN - (ACROSS - 1) * GAP - 1) / ACROSS;
  const sizes = pieces.map(sizeOf);
  const scale = Math.max(
    fromMm(1),
    ...sizes.map(({ wide, high }) => Math.max(wide / (width - 4), high / HIGHEST)),
  );
  const rows: Block<readonly PieceOnPaper[]>[] = [];
  for (let from = 0; from < pieces.length; from += ACROSS) {
    const of = pieces.slice(from, from + ACROSS);
    const high = Math.max(...of.map((piece) => heightOf(heights, pieceName(piece))));
    rows.push({ of, height: high + ROW_GAP });
  }
  const room = roomOn(size, heights) - heightOf(heights, 'letters title');
  return {
    pages: fill(rows, room).map((page) => page.flatMap(({ of }) => of)),
    scale,
    width,
    letters: Math.round(LETTER_MM * scale),
  };
}
