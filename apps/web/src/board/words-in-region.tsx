import { fitWords, type HoleBounds, type Region, SMALLER } from './fit-words';

/** Words in the middle of a region, turned or made smaller to stay inside it, moved off its holes. */
export function WordsInRegion({
  region,
  lines,
  holes = [],
  fill,
}: {
  region: Region;
  lines: readonly string[];
  holes?: readonly HoleBounds[];
  fill: string;
}) {
  const set = fitWords(region, lines, holes);
  if (!set) return null;
  const { turned, size } = set;
  const { x, y } = set.region;
  return (
    <text
      transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})${turned ? ' rotate(-90)' : ''}`}
      textAnchor="middle"
      fill={fill}
      fontSize={size}
      className="pointer-events-none select-none"
    >
      {set.lines.map((line, index) => (
        <tspan
          key={line}
          x="0"
          y={(index - (set.lines.length - 1) / 2) * size * 1.12 + size * 0.35}
          fontWeight={index === 0 ? 700 : 400}
          fontSize={index === 0 ? size : size * SMALLER}
        >
          {line}
        </tspan>
      ))}
    </text>
  );
}
