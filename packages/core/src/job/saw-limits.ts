import { atan2, type Degrees } from '../measure/index.js';
import type { Part, Saw } from './job.js';

/** A part with an edge that the saw cannot make: what it needs, and what the saw does. */
export interface BeyondSaw {
  part: string;
  tilt: Degrees | null;
  mitre: Degrees | null;
}

/** Angles compare to this. */
const LEEWAY: Degrees = 0.05;
/** Edges shorter than a tick have no direction. */
const LEAST = 1;

/** Largest tilt and mitre among the edges of a part; a mitre is from the nearer of the board's axes where the saw rips, else from square to it. */
function steepest(
  { outline, underside, thickness }: Part,
  rip: boolean,
): { tilt: Degrees; mitre: Degrees } {
  const steep = { tilt: 0, mitre: 0 };
  outline.forEach(([x, y], index) => {
    const [u, v] = outline[(index + 1) % outline.length] ?? [x, y];
    const [a, b] = underside[index] ?? [x, y];
    const run = Math.hypot(u - x, v - y);
    if (run < LEAST) return;
    const normal = [(v - y) / run, (x - u) / run] as const;
    const fromSquare = Math.abs(atan2(Math.abs(normal[1]), Math.abs(normal[0])));
    const isLong = fromSquare > 90 - LEEWAY;
    if (isLong && !rip) return;
    const lean = normal[0] * (a - x) + normal[1] * (b - y);
    steep.tilt = Math.max(steep.tilt, Math.abs(atan2(lean, thickness)));
    steep.mitre = Math.max(steep.mitre, rip ? Math.min(fromSquare, 90 - fromSquare) : fromSquare);
  });
  return steep;
}

/** Parts that this saw cannot cut, whatever the boards. */
export const beyondSaw = (parts: readonly Part[], saw: Saw): BeyondSaw[] =>
  parts.flatMap((part) => {
    const { tilt, mitre } = steepest(part, saw.rip);
    const [tilts, turns] = [tilt > saw.maxTilt + LEEWAY, mitre > saw.maxMitre + LEEWAY];
    return tilts || turns
      ? [{ part: part.id, tilt: tilts ? tilt : null, mitre: turns ? mitre : null }]
      : [];
  });
