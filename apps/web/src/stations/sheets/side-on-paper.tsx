import { faceWords } from '@spare-knot/core/building';
import { must } from '@spare-knot/core/lists';
import { printLength, printLengthUnit } from '@spare-knot/core/measure';
import { edgeName } from '@spare-knot/core/panels';
import { holeDrawing } from '@spare-knot/core/sheets';
import { useMemo } from 'react';
import { PaperPicture } from '../../boxview/paper-picture';
import { Length } from '../../measure/length';
import { useUnits } from '../../measure/units';
import { USE_WORDS } from '../build/build-words';
import { useBitStyle } from '../build/use-bit-style';
import type { Built } from '../build/use-build';
import { holeName, type SideOnPaper as Part, SIDE_PICTURE, sideName } from './bench-pages';
import { Measured } from './measured';
import { PER_MM } from './paper';

/** One side of a panel with its holes, and their distances in a table. */
export function SideOnPaper({
  built,
  nameOf,
  part: { side, from },
}: {
  built: Built;
  nameOf: (panel: string) => string;
  part: Part;
}) {
  const { style } = useUnits();
  const bits = useBitStyle();
  const panel = must(
    built.box.panels.find(({ id }) => id === side.panel),
    side.panel,
  );
  const drawing = useMemo(
    () =>
      holeDrawing({ panel, face: side.face, holes: side.holes, measured: [] }, (ticks) =>
        printLength(ticks, style),
      ),
    [panel, side, style],
  );
  const alike = panel.instances.length;
  return (
    <Measured name={sideName(side)}>
      <article
        data-side={side.key}
        className="mt-[2mm] flex gap-[4mm] border-t-[0.2mm] border-[#999] pt-[1mm]"
      >
        <div className="grid w-[60mm] shrink-0 place-items-center">
          <PaperPicture
            drawing={drawing}
            width={58 * PER_MM}
            most={(SIDE_PICTURE - 2) * PER_MM}
            label={`${nameOf(side.panel)}, ${faceWords(side.face, panel)}`}
          />
        </div>
        <div className="flex-1">
          <h3 className="font-slab text-[3.8mm] font-bold">
            {nameOf(side.panel)}, {faceWords(side.face, panel)} up
            {alike > 1 && ` (${side.copies.map((copy) => copy + 1).join(', ')} of ${alike})`}
            {from > 0 && ', continued'}
          </h3>
          <table className="w-full text-left text-[3mm]">
            <tbody>
              {side.holes.map((hole, index) => (
                <tr
                  key={index}
                  data-height={holeName(side, from + index)}
                  className="border-b-[0.15mm] border-[#aaa]"
                >
                  <td className="font-bold">{index + 1}</td>
                  <td>{USE_WORDS[hole.for]}</td>
                  <td>
                    {hole.size.shape === 'round'
                      ? printLengthUnit(hole.size.diameter, bits)
                      : `${hole.size.shape}, ${printLengthUnit(hole.size.width, style)} × ${printLengthUnit(hole.size.height, style)}`}
                  </td>
                  <td>
                    {hole.depth === 'through' ? (
                      'through'
                    ) : (
                      <>
                        <Length ticks={hole.depth} /> deep
                      </>
                    )}
                  </td>
                  {hole.from.map((each, place) => (
                    <td key={place} className="text-right">
                      <strong>
                        <Length ticks={each.distance} />
                      </strong>{' '}
                      {'edge' in each && edgeName(panel, each.edge)}
                      {'corner' in each && 'left end'}
                      {'face' in each && 'outside'}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </article>
    </Measured>
  );
}
