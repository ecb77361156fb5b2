import type { BoardKind } from '@spare-knot/core/wood';

import { useMemo } from 'react';

/** Ids of the patterns of one drawing, which must be its own on the page. */
export interface Patterns {
  clip: string;
  waste: string;
  rough: string;
}

export const patternsOf = (id: string): Patterns => ({
  clip: `${id}c`,
  waste: `${id}h`,
  rough: `${id}r`,
});

/** The clip of a board's outline, the hatching of waste and the marks of a rough face. */
export function PatternDefinitions({
  patterns,
  length,
  height,
}: {
  patterns: Patterns;
  length: number;
  height: number;
}) {
  return (
    <defs>
      <clipPath id={patterns.clip}>
        <rect width={length} height={height} />
      </clipPath>
      <pattern
        id={patterns.waste}
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="7" height="7" fill="#d8c09a" />
        <path d="M0 0V7" stroke="#a88a5c" strokeWidth="1.4" />
      </pattern>
      <pattern id={patterns.rough} width="9" height="6" patternUnits="userSpaceOnUse">
        <path
          d="M1 1.2h1.6M5.4 3.8h1.2M7.6 .6h.8M3 5h.9"
          stroke="#9a6f3c"
          strokeWidth=".7"
          opacity=".5"
        />
      </pattern>
    </defs>
  );
}

/** Lines of grain, always the same for the same seed, gently waved. */
function grainLines(length: number, height: number, seed: number): string[] {
  const count = Math.max(3, Math.round(height / 9));
  return Array.from({ length: count }, (_unused, index) => {
    const phase = Math.sin(seed * 12.9 + index * 78.2) * 43758.5;
    const random = phase - Math.floor(phase);
    const y = ((index + 0.3 + random * 0.6) / count) * height;
    const sway = 1 + random * 2.2;
    const step = length / 4;
    return `M0 ${y.toFixed(1)} q${(step / 2).toFixed(1)} ${(-sway).toFixed(1)} ${step.toFixed(1)} 0 t${step.toFixed(1)} ${(sway * 0.4).toFixed(1)} t${step.toFixed(1)} 0 t${step.toFixed(1)} 0`;
  });
}

/** The face of a board that nothing is cut from. */
export function BareWood({
  board,
  length,
  height,
  patterns,
}: {
  board: Pick<BoardKind, 'length' | 'faceA' | 'grained'>;
  length: number;
  height: number;
  patterns: Patterns;
}) {
  const lines = useMemo(
    () => (board.grained ? grainLines(length, height, board.length % 97) : []),
    [length, height, board.length, board.grained],
  );
  return (
    <>
      <rect width={length} height={height} fill={board.grained ? '#edd2ad' : '#ead9bd'} />
      {board.faceA === 'rough' && (
        <rect width={length} height={height} fill={`url(#${patterns.rough})`} />
      )}
      {lines.map((line) => (
        <path key={line} d={line} fill="none" stroke="#c79a63" strokeWidth=".8" opacity=".55" />
      ))}
    </>
  );
}
