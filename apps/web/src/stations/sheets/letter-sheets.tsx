import { extentOf, letterDrawing } from '@spare-knot/core/sheets';
import { useMemo } from 'react';
import { useBatchName } from '../../batch/batch-context';
import { PaperPicture } from '../../boxview/paper-picture';
import type { Built } from '../build/use-build';
import { letterPages, type PieceOnPaper } from './letter-pages';
import type { PaperSize } from './paper';
import { Sheet } from './sheet';
import { PER_MM } from './step-on-paper';

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
    <li data-piece={piece.panel.id} className="break-inside-avoid" style={{ width: `${width}mm` }}>
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
}: {
  built: Built;
  nameOf: (panel: string) => string;
  size: PaperSize;
}) {
  const batch = useBatchName();
  const { pages, scale, width, letters } = useMemo(() => letterPages(built, size), [built, size]);
  return pages.map((pieces, index) => (
    <Sheet key={index} size={size} number={index + 1} of={pages.length} name={batch} at="bench">
      <h2 className="mt-[3mm] font-slab text-[4.2mm]">
        Letters on the pieces{index > 0 && ', continued'}
      </h2>
      <p>
        Pencil each letter where it stands here, and “inside” on the inside, before the pieces are
        packed. Each piece lies with its grain upright, its top up, the named face towards you.
      </p>
      <ul className="mt-[3mm] flex flex-wrap gap-x-[6mm] gap-y-[3mm]">
        {pieces.map((piece) => (
          <Piece
            key={`${piece.panel.id} ${piece.instance} ${piece.face}`}
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
