import type { Ticks } from '@spare-knot/core/measure';
import { zoneBounds } from '@spare-knot/core/plane';
import { DEFECT_NAMES, type Defect } from '@spare-knot/core/wood';

/** A defect as it looks in the wood, never smaller than the eye can find. */
export function DefectMark({
  defect,
  scale,
  boardWidth,
  selected = false,
}: {
  defect: Defect;
  scale: number;
  boardWidth: Ticks;
  selected?: boolean;
}) {
  const [left, bottom, right, top] = zoneBounds(defect.zone);
  const cx = ((left + right) / 2) * scale;
  const cy = (boardWidth - (bottom + top) / 2) * scale;
  const rx = Math.max(2.2, ((right - left) / 2) * scale);
  const ry = Math.max(2.2, ((top - bottom) / 2) * scale);
  return (
    <g data-defect={defect.kind}>
      <title>{DEFECT_NAMES[defect.kind]}</title>
      {shape(defect, cx, cy, rx, ry, scale, boardWidth)}
      {selected && (
        <rect
          x={cx - rx - 4}
          y={cy - ry - 4}
          width={2 * rx + 8}
          height={2 * ry + 8}
          fill="none"
          stroke="#1d5a96"
          strokeWidth="2"
          strokeDasharray="4 3"
        />
      )}
    </g>
  );
}

function shape(
  defect: Defect,
  cx: number,
  cy: number,
  rx: number,
  ry: number,
  scale: number,
  boardWidth: Ticks,
) {
  switch (defect.kind) {
    case 'knot-sound':
      return (
        <g>
          <ellipse
            cx={cx}
            cy={cy}
            rx={rx}
            ry={ry}
            fill="#a9713a"
            stroke="#7a4a1f"
            strokeWidth="1"
          />
          <ellipse
            cx={cx}
            cy={cy}
            rx={rx * 0.6}
            ry={ry * 0.6}
            fill="none"
            stroke="#7a4a1f"
            strokeWidth=".8"
          />
          <ellipse cx={cx} cy={cy} rx={rx * 0.25} ry={ry * 0.25} fill="#6b3f18" />
        </g>
      );
    case 'knot-loose':
      return (
        <g>
          <ellipse
            cx={cx}
            cy={cy}
            rx={rx}
            ry={ry}
            fill="#6b4422"
            stroke="#24160a"
            strokeWidth="2"
          />
          <ellipse
            cx={cx}
            cy={cy}
            rx={rx * 0.5}
            ry={ry * 0.5}
            fill="none"
            stroke="#24160a"
            strokeWidth=".8"
          />
        </g>
      );
    case 'split': {
      const step = rx / 4;
      const zig = Array.from(
        { length: 8 },
        (_unused, index) =>
          `L${(cx - rx + (index + 1) * step).toFixed(1)} ${(cy + (index % 2 === 0 ? -ry : ry) * 0.45).toFixed(1)}`,
      ).join('');
      return (
        <g>
          <rect
            x={cx - rx}
            y={cy - ry}
            width={2 * rx}
            height={2 * ry}
            fill="#a8321f"
            fillOpacity=".12"
            stroke="#a8321f"
            strokeWidth=".7"
            strokeDasharray="3 2"
          />
          <path d={`M${cx - rx} ${cy}${zig}`} fill="none" stroke="#3a2210" strokeWidth="1.6" />
        </g>
      );
    }
    case 'nail':
      return (
        <g>
          <circle
            cx={cx}
            cy={cy}
            r={Math.max(3, rx)}
            fill="#4b5560"
            stroke="#1e242a"
            strokeWidth=".8"
          />
          <path d={`M${cx - 2} ${cy}h4M${cx} ${cy - 2}v4`} stroke="#e5e9ed" strokeWidth=".9" />
        </g>
      );
    case 'hole':
      return defect.zone.kind === 'polygon' ? (
        <polygon
          points={defect.zone.points
            .map(([x, y]) => `${x * scale},${(boardWidth - y) * scale}`)
            .join(' ')}
          fill="#f3eee2"
          stroke="#6b4c26"
          strokeWidth="1.2"
          strokeDasharray="5 3"
        />
      ) : (
        <ellipse cx={cx} cy={cy} rx={rx} ry={ry} fill="#24160a" />
      );
    case 'rot':
      return (
        <ellipse
          cx={cx}
          cy={cy}
          rx={rx}
          ry={ry}
          fill="#5d5238"
          stroke="#37301e"
          strokeWidth="1"
          strokeDasharray="2 2"
          fillOpacity=".85"
        />
      );
    case 'wane':
      return (
        <rect
          x={cx - rx}
          y={cy - ry}
          width={2 * rx}
          height={2 * ry}
          fill="#6e4d2a"
          fillOpacity=".65"
          stroke="#3f2a12"
          strokeWidth=".8"
        />
      );
  }
}
