import { at } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import { band, type Point, type Zone, zoneBounds } from '../plane/index.js';
import { holeSize } from './features.js';
import type { Panel } from './panel-set.js';

/** One strip of a panel that is glued up, in the panel's own frame: between `low` and `high` across the grain. */
export interface Stave {
  low: Ticks;
  high: Ticks;
  outline: readonly Point[];
  underside: readonly Point[];
  clear: readonly Zone[];
  cutAway: readonly Zone[];
}

/** No glue joint this near an edge or an entrance's rim: common practice, no source. */
const FROM_EDGE: Ticks = fromMm(20);
const MOST_STAVES = 24;

/**
 * A panel wider than its board as strips to be glued edge to edge, grain the same way: as few as will do, as equal as they can be, with
 * no joint through an entrance or within 20 mm of it or of an edge. Null when no such joints exist.
 */
export function stavesOf(
  panel: Pick<Panel, 'outline' | 'underside' | 'features' | 'clear' | 'cutAway'>,
  boardWidth: Ticks,
): Stave[] | null {
  const ys = [...panel.outline, ...panel.underside].map((point) => point[1]);
  const [bottom, top] = [Math.min(...ys), Math.max(...ys)];
  if (top - bottom <= boardWidth) return null;
  // Tilted long edges would leave a stave whose two faces have different corners: joints keep clear of them.
  const inner = [panel.outline, panel.underside].map((face) => face.map((point) => point[1]));
  const edge = Math.max(
    FROM_EDGE,
    Math.max(...inner.map((each) => Math.min(...each))) - bottom,
    top - Math.min(...inner.map((each) => Math.max(...each))),
  );
  const closed = panel.features.flatMap((feature): [number, number][] => {
    const size = feature.kind === 'entrance' ? holeSize(feature) : null;
    if (!size || feature.kind !== 'entrance') return [];
    const y = feature.centre[1];
    return [[y - size.width / 2 - FROM_EDGE, y + size.width / 2 + FROM_EDGE]];
  });
  const nearest = (wanted: number, from: number, to: number): number | null => {
    const free = (y: number) =>
      y >= from && y <= to && closed.every(([low, high]) => y <= low || y >= high);
    const choices = [wanted, ...closed.flat().map((y) => Math.round(y)), from, to].filter(free);
    return choices.length === 0
      ? null
      : choices.reduce((best, y) => (Math.abs(y - wanted) < Math.abs(best - wanted) ? y : best));
  };
  for (let count = Math.ceil((top - bottom) / boardWidth); count <= MOST_STAVES; count += 1) {
    const cuts: number[] = [];
    let from = bottom;
    for (let index = 1; index < count; index += 1) {
      const rest = count - index;
      const even = Math.round(from + (top - from) / (rest + 1));
      const least = Math.max(from + (index === 1 ? edge : FROM_EDGE), top - rest * boardWidth);
      const most = Math.min(from + boardWidth, top - edge - (rest - 1) * FROM_EDGE);
      const cut = least > most ? null : nearest(Math.min(Math.max(even, least), most), least, most);
      if (cut === null) break;
      cuts.push(cut);
      from = cut;
    }
    if (cuts.length < count - 1 || top - from > boardWidth) continue;
    const edges = [bottom, ...cuts, top];
    const staves = edges.slice(1).map((high, index) => strip(panel, at(edges, index), high));
    if (
      staves.every(
        (stave) => stave.outline.length >= 3 && stave.outline.length === stave.underside.length,
      )
    )
      return staves;
  }
  return null;
}

function strip(
  panel: Pick<Panel, 'outline' | 'underside' | 'clear' | 'cutAway'>,
  low: Ticks,
  high: Ticks,
): Stave {
  const within = (zone: Zone) => {
    const [, bottom, , top] = zoneBounds(zone);
    return top > low && bottom < high;
  };
  return {
    low,
    high,
    outline: band(panel.outline, low, high),
    underside: band(panel.underside, low, high),
    clear: panel.clear.filter(within),
    cutAway: panel.cutAway.filter((zone) => {
      const [, bottom, , top] = zoneBounds(zone);
      return bottom >= low && top <= high;
    }),
  };
}
