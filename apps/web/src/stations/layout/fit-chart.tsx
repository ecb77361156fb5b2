import type { FitOffer } from '@spare-knot/core/advice';
import { at } from '@spare-knot/core/lists';
import { printLength } from '@spare-knot/core/measure';

import { CartesianGrid, Line, LineChart, ReferenceDot, XAxis, YAxis } from 'recharts';
import { useUnits } from '../../measure/units';

/** What the boards cost over one size; where it stands and where it would go are marked. */
export default function FitChart({ offer }: { offer: FitOffer }) {
  const { style } = useUnits();
  const change = at(offer.changes, 0);
  const show = (value: number) =>
    change.kind === 'angle' ? `${value}°` : printLength(value, style);
  const data = offer.points.map((point) => ({ value: point.value, cost: point.cost / 100 }));
  return (
    <div
      role="img"
      aria-label={`Cost of the boards over ${change.label.toLowerCase()}: ${data.map((point) => `${show(point.value)}: ${point.cost}`).join('; ')}`}
    >
      <LineChart
        width={264}
        height={120}
        data={data}
        margin={{ top: 8, right: 12, bottom: 4, left: 0 }}
      >
        <CartesianGrid stroke="#e2d9c5" vertical={false} />
        <XAxis
          dataKey="value"
          type="number"
          domain={['dataMin', 'dataMax']}
          tickFormatter={show}
          tick={{ fontSize: 11, fill: '#56615a' }}
          tickCount={4}
        />
        <YAxis width={44} domain={['auto', 'auto']} tick={{ fontSize: 11, fill: '#56615a' }} />
        <Line
          type="stepAfter"
          dataKey="cost"
          stroke="#1d5a96"
          strokeWidth={1.8}
          dot={{ r: 2, fill: '#1d5a96' }}
          isAnimationActive={false}
        />
        <ReferenceDot x={change.before} y={offer.before / 100} r={4} fill="#7d5a00" stroke="none" />
        <ReferenceDot x={change.after} y={offer.after / 100} r={5} fill="#3c6b35" stroke="none" />
      </LineChart>
    </div>
  );
}
