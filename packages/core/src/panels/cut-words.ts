import { at } from '../lists/index.js';
import type { Degrees } from '../measure/index.js';
import { joinTexts, ofAngle, type Text, text } from '../text/index.js';
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
      const [from, to] = [at(panel.outline, edge.from), at(panel.outline, edge.to)];
      const across = Math.abs(to[1] - from[1]) >= Math.abs(to[0] - from[0]);
      return { ...edge, place: across || edge.mitre > SQUARE ? 'end' : 'edge along the grain' };
    });
}

const BOTH: Record<SlantedEdge['place'], string> = {
  end: 'both ends',
  'edge along the grain': 'both edges along the grain',
};
const places = (count: number, place: SlantedEdge['place']): string => {
  if (count === 2) return BOTH[place];
  return `${times(count)} ${place}${count === 1 ? '' : 's'}`;
};

const longer = (tilt: Degrees): string => `${tilt > 0 ? 'inside' : 'outside'} face longer`;

/** Edges that one setting of fence and blade makes, those tilted one way and those tilted the other together. */
function bySetting(edges: readonly SlantedEdge[]): SlantedEdge[][] {
  const groups: SlantedEdge[][] = [];
  for (const edge of edges) {
    const known = groups.find(
      ([first]) =>
        first?.place === edge.place &&
        Math.abs(first.mitre - edge.mitre) < ONE_SETTING &&
        Math.abs(Math.abs(first.tilt) - Math.abs(edge.tilt)) < ONE_SETTING,
    );
    if (known) known.push(edge);
    else groups.push([edge]);
  }
  return groups;
}

/** How edges of one setting lean: not at all, alike in the board, or all to one face. */
function leanOf(edges: readonly SlantedEdge[]): Text | null {
  const [first, second] = edges;
  if (!first || Math.abs(first.tilt) <= SQUARE) return null;
  // Two ends that lean the same way in the board, as a batten under a slope has them.
  const parallel = edges.length === 2 && second !== undefined && first.tilt * second.tilt < 0;
  return text`tilted ${ofAngle(Math.abs(first.tilt))}, ${parallel ? 'parallel' : longer(first.tilt)}`;
}

function settingWords(edges: readonly SlantedEdge[], corners: number): Text {
  const first = at(edges, 0);
  const sloped = first.mitre > SQUARE ? ofAngle(first.mitre) : null;
  const lean = leanOf(edges);
  if (sloped && corners > 5 && edges.length === corners - 4)
    return text`${times(edges.length)} corners clipped at ${sloped}`;
  if (sloped && corners === 5 && edges.length === 2)
    return text`one end sloped ${sloped} from both sides to a point${lean ? text`, ${lean}` : ''}`;
  const ways = [...(sloped ? [text`sloped ${sloped}`] : []), ...(lean ? [lean] : [])];
  return text`${places(edges.length, first.place)} ${joinTexts(ways, ' and ')}`;
}

/**
 * How a panel's ends and edges are cut where they are not square, for a maker to read: `one end tilted 10.3°, inside face longer`. Every
 * such edge is named once; a panel cut square all round gives none.
 */
export const cutWords = (panel: Panel): Text[] =>
  bySetting(slanted(panel)).map((edges) => settingWords(edges, panel.outline.length));
