import { cutWords, measuresOf, type Panel, partName } from '@spare-knot/core/panels';
import { joinTexts } from '@spare-knot/core/text';
import { materialName } from '@spare-knot/core/wood';

import { memo } from 'react';
import { useBatch, useFromBin } from '../../batch/batch-context';
import { Length, Sentence } from '../../measure/length';
import { Drilling } from './drilling';
import { Measured } from './measured';
import { lineName } from './paper';

/** How a panel is cut and of what, and what is drilled into it. */
function HowCut({ panel }: { panel: Panel }) {
  const { draft } = useBatch();
  const words = cutWords(panel);
  const wood = draft.plan.wood[panel.role];
  const material = wood?.material ?? '';
  const all = joinTexts(
    [
      ...(words.length === 0 ? ['square'] : words),
      ...(panel.inside === 'rough' ? ['rough face inside'] : []),
      panel.fromLog ? 'off the log' : materialName(material),
      ...(wood?.layers ? ['one of two, glued together'] : []),
    ],
    '; ',
  );
  return (
    <td>
      <Sentence text={all} />
      <Drilling panel={panel} />
    </td>
  );
}

function CutLine({ panel, name, copies }: { panel: Panel; name: string; copies: number }) {
  const { blankWidth, longPoint, shortPoint } = measuresOf(panel);
  return (
    <tr
      data-height={lineName(panel)}
      className="border-b-[0.2mm] border-[#999] align-top [&>td]:py-[1.3mm] [&>td]:pr-[2mm]"
    >
      <td className="font-bold">{name}</td>
      <td className="mono text-right">{copies}</td>
      <td className="mono text-right">
        <Length ticks={panel.thickness} />
      </td>
      <td className="mono text-right">
        <Length ticks={blankWidth} />
      </td>
      <td className="mono text-right font-bold">
        <Length ticks={longPoint} />
      </td>
      <td className="mono text-right">
        {shortPoint === longPoint ? 'same' : <Length ticks={shortPoint} />}
      </td>
      <HowCut panel={panel} />
    </tr>
  );
}

/** Every panel with its measures, how it is cut, and what is drilled. */
export const CutList = memo(function CutList({
  panels,
  first,
  last,
  names,
  boxes,
  copiesOf,
}: {
  panels: readonly Panel[];
  first: boolean;
  last: boolean;
  names: ReadonlyMap<string, string>;
  boxes: number;
  copiesOf: (panel: Panel) => number;
}) {
  const { draft } = useBatch();
  const ready = useFromBin();
  return (
    <>
      <Measured name="list title">
        <h2 className="mt-[3mm] mb-[1.5mm] font-slab text-[4.2mm]">
          Cut list{first ? '' : ', continued'}: {boxes} {boxes === 1 ? 'box' : 'boxes'}
        </h2>
      </Measured>
      <table className="w-full border-collapse">
        <thead data-height="list columns">
          <tr className="border-b-[0.3mm] border-black text-left [&>th]:py-[1mm] [&>th]:pr-[2mm]">
            <th>Panel</th>
            <th className="text-right">How many</th>
            <th className="text-right">Thick</th>
            <th className="text-right">Wide</th>
            <th className="text-right">Long point</th>
            <th className="text-right">Short point</th>
            <th>How it is cut, and of what</th>
          </tr>
        </thead>
        <tbody>
          {panels.map((panel) => (
            <CutLine
              key={panel.id}
              panel={panel}
              name={partName(names, panel.id)}
              copies={copiesOf(panel)}
            />
          ))}
        </tbody>
      </table>
      {last && (
        <Measured name="list foot">
          {ready.length > 0 && (
            <p className="mt-[3mm] font-bold">
              Out of the bin, and not sawn:{' '}
              {ready.map(({ name, count }) => `${count} × ${name.toLowerCase()}`).join(', ')}.
            </p>
          )}
          <p className="mt-[3mm]">
            Lengths in{' '}
            {draft.units === 'inch' ? `inches, to the nearest 1/${draft.division}` : 'millimetres'}.
            Long and short point are measured along the grain, over both faces. Before the first
            tilted cut, cut two scraps at the setting: laid against each other they must make twice
            the angle. Drill before assembly, the front clamped over scrap.
          </p>
        </Measured>
      )}
    </>
  );
});
