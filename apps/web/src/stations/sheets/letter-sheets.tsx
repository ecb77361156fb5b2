import { extentOf, letterDrawing } from '@spare-knot/core/sheets';
import { useMemo } from 'react';
import { useBatchName } from '../../batch/batch-context';
import { PaperPicture } from '../../boxview/paper-picture';
import type { Built } from '../build/use-build';
import { letterPages, type PieceOnPaper, pieceName, ROW_GAP } from './letter-pages';
import { Measured } from './measured';
import { type Heights, type PaperSize, PER_MM } from './paper';
import { Sheet } from './sheet';

function Piece({
  piece,
  name,
  scale,
  width,
  letters,
}: {
  piece: PieceOnPaper;
  name: string;
  scale: number;
  width: number;
  letters: number;
}) {
  const drawing = useMemo(() => letterDrawing(piece, letters), [piece, letters]);
  const [x0, y0, x1, y1] = extentOf(drawing);
  // The picture keeps a border of six pixels on every side.
  const size = (ticks: number) => (ticks / scale) * PER_MM + 12;
  return (
    <li
      data-piece={piece.panel.id}
      data-height={pieceName(piece)}
      className="break-inside-avoid"
      style={{ width: `${width}mm` }}
    >
      <h3 className="font-bold">
        {name}
        {piece.copies > 1 && `, ${piece.instance + 1} of ${piece.copies}`}
      </h3>
      <PaperPicture
        drawing={drawing}
        width={Math.min(size(x1 - x0), width * PER_MM)}
        most={size(y1 - y0)}
        label={`${name}, ${piece.face} up, with letters ${piece.marks.map(({ letter }) => letter).join(', ')}`}
      />
    </li>
  );
}

/** For whoever packs the kits: what to pencil on each piece, and where. */
export function LetterSheets({
  built,
  nameOf,
  size,
  heights,
}: {
  built: Built;
  nameOf: (panel: string) => string;
  size: PaperSize;
  heights: Heights | null;
}) {
  const batch = useBatchName();
  const { pages, scale, width, letters } = useMemo(
    () => letterPages(built, size, heights),
    [built, size, heights],
  );
  return pages.map((pieces, index) => (
    <Sheet key={index} size={size} number={index + 1} of={pages.length} name={batch} at="bench">
      <Measured name="letters title">
        <h2 className="mt-[3mm] font-slab text-[4.2mm]">
          Letters on the pieces{index > 0 && ', continued'}
        </h2>
        <p>
          Pencil each letter where it stands here, and “inside” on the inside, before the pieces are
          packed. Each piece lies with its grain upright, its top up, the named face towards you.
        </p>
      </Measured>
      <ul
        className="flex flex-wrap items-start gap-x-[6mm]"
        style={{ paddingTop: `${ROW_GAP}mm`, rowGap: `${ROW_GAP}mm` }}
      >
        {pieces.map((piece) => (
          <Piece
            key={pieceName(piece)}
            piece={piece}
            name={nameOf(piece.panel.id)}
            scale={scale}
            width={width}
            letters={letters}
          />
        ))}
      </ul>
    </Sheet>
  ));
}
