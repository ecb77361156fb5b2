import { type Degrees, printAngle } from '../measure/index.js';
import type { Panel, PanelEdge } from './panel-set.js';

/** Less than this is square. */
const SQUARE: Degrees = 0.05;
/** Angles closer than this are one setting of the saw. */
const ONE_SETTING: Degrees = 0.05;

const COUNT = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
const times = (count: number): string => COUNT[count] ?? String(count);

/** An edge that is not cut square, by where it lies: an end lies more across the grain than along it. */
interface SlantedEdge extends PanelEdge {
  place: 'end' | 'edge along the grain';
}

function slanted(panel: Panel): SlantedEdge[] {
  return panel.edges
    .filter((edge) => Math.abs(edge.tilt) > SQUARE || edge.mitre > SQUARE)
    .map((edge) => {
      const [from, to] = [panel.outline[edge.from]!, panel.outline[edge.to]!];
      const across = Math.abs(to[1] - from[1]) >= Math.abs(to[0] - from[0]);
      return { ...edge, place: across || edge.mitre > SQUARE ? 'end' : 'edge along the grain' };
    });
}

const places = (count: number, place: SlantedEdge['place']): string =>
  count === 2
    ? place === 'end'
      ? 'both ends'
      : 'both edges along the grain'
    : `${times(count)} ${place}${count === 1 ? '' : 's'}`;

const longer = (tilt: Degrees): string => `${tilt > 0 ? 'inside' : 'outside'} face longer`;

/** Edges that one setting of fence and blade makes, those tilted one way and those tilted the other together. */
function bySetting(edges: readonly SlantedEdge[]): SlantedEdge[][] {
  const groups: SlantedEdge[][] = [];
  for (const edge of edges) {
    const known = groups.find(
      ([first]) =>
        first!.place === edge.place &&
        Math.abs(first!.mitre - edge.mitre) < ONE_SETTING &&
        Math.abs(Math.abs(first!.tilt) - Math.abs(edge.tilt)) < ONE_SETTING,
    );
    if (known) known.push(edge);
    else groups.push([edge]);
  }
  return groups;
}

function settingWords(edges: readonly SlantedEdge[], corners: number): string {
  const [first] = edges as [SlantedEdge];
  const sloped = first.mitre > SQUARE ? printAngle(first.mitre) : null;
  const tilted = Math.abs(first.tilt) > SQUARE ? printAngle(Math.abs(first.tilt)) : null;
  // Two ends that lean the same way in the board, as a batten under a slope has them.
  const parallel = edges.length === 2 && edges[0]!.tilt * edges[1]!.tilt < 0;
  const lean = tilted && `tilted ${tilted}, ${parallel ? 'parallel' : longer(first.tilt)}`;
  if (sloped && corners > 5 && edges.length === corners - 4)
    return `${times(edges.length)} corners clipped at ${sloped}`;
  if (sloped && corners === 5 && edges.length === 2)
    return `one end sloped ${sloped} from both sides to a point${lean ? `, ${lean}` : ''}`;
  return `${places(edges.length, first.place)} ${[sloped && `sloped ${sloped}`, lean].filter(Boolean).join(' and ')}`;
}

/**
 * How a panel's ends and edges are cut where they are not square, for a maker to read: `one end tilted 10.3°, inside face longer`. Every
 * such edge is named once; a panel cut square all round gives none.
 */
export const cutWords = (panel: Panel): string[] =>
  bySetting(slanted(panel)).map((edges) => settingWords(edges, panel.outline.length));
