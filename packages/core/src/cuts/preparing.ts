import { endTrimOf, type LayoutJob, type Part, panelOfStave, type Stock } from '../job/index.js';
import { type LaidBoard, type Layout, moverOf } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';
import type { Feature, Panel, PanelSet } from '../panels/index.js';
import { boundsOf, type Point, zoneBounds } from '../plane/index.js';
import { ofLength, ofPanel, type Text, text } from '../text/index.js';
import { materialById } from '../wood/index.js';

/** What is done while a board is still long, before it is crosscut; the board by its place in the layout, or null for all. */
export interface Preparation {
  board: number | null;
  is: 'look' | 'nails' | 'trim' | 'score' | 'glue';
  words: Text;
}

type Groove = Extract<Feature, { kind: 'groove' }>;

const grips = ({ features }: Panel): Groove[] =>
  features.filter((each): each is Groove => each.kind === 'groove' && each.purpose === 'grip');

/** Where a panel's scores lie on its board: one run of them. */
function scoresOf(
  part: Part,
  panel: Panel,
  placement: LaidBoard['placements'][number],
): Text | null {
  const grooves = grips(panel);
  const [groove] = grooves;
  if (!groove) return null;
  const move = moverOf(part, placement);
  const ends = grooves.flatMap(({ from, to }): Point[] => [move(from), move(to)]);
  const [left, bottom, right, top] = boundsOf(ends);
  // The outside of a panel lies on face A unless it is flipped.
  const isOnA = (groove.face === 'outside') !== placement.flipped;
  return text`score ${ofPanel(panel.id)} on face ${isOnA ? 'A' : 'B'}: ${grooves.length} scores ${ofLength(groove.depth)} deep, from ${ofLength(left)} to ${ofLength(right)} along the board, ${ofLength(bottom)} to ${ofLength(top)} from its near edge`;
}

function scoresOn(job: LayoutJob, box: PanelSet, { placements }: LaidBoard, board: number) {
  return placements.flatMap((placement): Preparation[] => {
    const part = job.parts.find(({ id }) => id === placement.part);
    const panel = box.panels.find(({ id }) => id === placement.part);
    const words = part && panel && scoresOf(part, panel, placement);
    return words ? [{ board, is: 'score', words }] : [];
  });
}

/** Nails that are known, each by where it is. */
function nailsIn({ defects }: Stock): { along: Ticks; across: Ticks }[] {
  return defects
    .filter(({ kind }) => kind === 'nail')
    .map(({ zone }) => {
      const [left, bottom, right, top] = zoneBounds(zone);
      return { along: Math.round((left + right) / 2), across: Math.round((bottom + top) / 2) };
    });
}

function ofBoard(job: LayoutJob, { stock }: LaidBoard, board: number): Preparation[] {
  const kind = job.stock.find(({ id }) => id === stock);
  if (!kind) return [];
  const trim = endTrimOf(kind, job.saw);
  const nails = nailsIn(kind).map(
    ({ along, across }) => text`${ofLength(along)} along, ${ofLength(across)} up`,
  );
  const listed = nails.flatMap(
    (each, index): Text => (index === 0 ? each : [...text`; `, ...each]),
  );
  return [
    ...(nails.length > 0
      ? [
          {
            board,
            is: 'nails' as const,
            words: text`a nail stops a blade: pull these, or see that no cut meets them: ${listed}; and look for more`,
          },
        ]
      : []),
    ...(trim > 0
      ? [
          {
            board,
            is: 'trim' as const,
            words: text`${ofLength(trim)} is trimmed off each end: look there for checks that run further in`,
          },
        ]
      : []),
  ];
}

/** Panels that are glued up of staves: they are glued as soon as their staves are there, while the rest is sawn. */
function glued(job: LayoutJob, box: PanelSet): Preparation[] {
  return box.panels.flatMap(({ id }): Preparation[] => {
    const staves = job.parts.filter((part) => panelOfStave(part.id) === id);
    if (staves.length === 0) return [];
    return [
      {
        board: null,
        is: 'glue',
        words: text`${ofPanel(id)} is glued up of ${staves.length} staves: glue them edge to edge as soon as they are sawn; the clamps stay on for an hour, and it is not worked for a day (common practice; the glue's own label says)`,
      },
    ];
  });
}

/**
 * What is done before the first crosscut, while the boards are long: nails looked for, ends trimmed, fronts scored, staves glued up first.
 * Boards are named by their place among those of the layout that hold panels. Takes the box that the job is of.
 */
export function preparations(job: LayoutJob, box: PanelSet, layout: Layout): Preparation[] {
  const boards = layout.boards.filter(({ placements }) => placements.length > 0);
  // Old wood carries what nobody has seen yet.
  const isOld = boards.some(({ stock }) => {
    const kind = job.stock.find(({ id }) => id === stock);
    return kind !== undefined && materialById(kind.material)?.reclaimed === true;
  });
  const look: Preparation = {
    board: null,
    is: 'look',
    words: isOld
      ? text`look every board over on both faces: splits, loose knots, nails and screws (a magnet finds those that broke off)`
      : text`look every board over on both faces: splits and loose knots that nobody has marked yet`,
  };
  return [
    look,
    ...boards.flatMap((board, index) => ofBoard(job, board, index)),
    ...boards.flatMap((board, index) => scoresOn(job, box, board, index)),
    ...glued(job, box),
  ];
}
