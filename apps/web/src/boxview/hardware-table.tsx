import { amountOf, type HardwareLine } from '@spare-knot/core/building';
import { Sentence } from '../measure/length';
import { useUnits } from '../measure/units';

/** What is bought beside the wood: for one box, for all, and where it is said how many to spare. */
export function HardwareTable({
  lines,
  boxes,
  spares,
}: {
  lines: readonly HardwareLine[];
  boxes: number;
  /** By line; nothing where none are counted. */
  spares?: ReadonlyMap<string, number>;
}) {
  const { style } = useUnits();
  return (
    <table className="mt-1 w-full">
      <thead>
        <tr className="border-b border-line text-left text-sm text-soft">
          <th className="py-1">What</th>
          <th className="text-right">One box</th>
          <th className="pl-4 text-right">
            {boxes} {boxes === 1 ? 'box' : 'boxes'}
          </th>
          {spares && <th className="pl-4 text-right">Spare</th>}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.id} className="border-b border-dotted border-line align-top">
            <td className="py-1.5 pr-2">
              <span className="font-semibold">
                <Sentence
                  text={style.system === 'inch' && line.inchName ? line.inchName : line.name}
                />
              </span>
              <span className="block text-sm text-soft">
                <Sentence text={line.why} />
              </span>
            </td>
            <td className="mono py-1.5 text-right whitespace-nowrap">
              <Sentence text={amountOf(line, 1)} />
            </td>
            <td className="mono py-1.5 pl-4 text-right font-semibold whitespace-nowrap">
              <Sentence text={amountOf(line, boxes)} />
            </td>
            {spares && <td className="mono py-1.5 pl-4 text-right">{spares.get(line.id) || ''}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
