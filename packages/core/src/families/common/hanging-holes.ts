import { minBy } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import {
  type BoxDraft,
  type Draft,
  type Feature,
  HEAD_ROOM,
  standsBefore,
} from '../../panels/index.js';
import {
  type BoxPlan,
  HANGING_WAYS,
  HANGING_WORDS,
  type HangingWay,
  isHangingWay,
  PlanFault,
} from '../../plan/index.js';
import { cornersOf, type Vec3 } from '../../solid/index.js';
import { text } from '../../text/index.js';

/** Where a hole of a way lies in the back: high or low in the room, and how far beside its middle, as a share of half the room’s width. */
interface Spot {
  high: boolean;
  beside: number;
  diameter: Ticks;
}

const spot = (high: boolean, beside: number, mm: number): Spot => ({
  high,
  beside,
  diameter: fromMm(mm),
});

/** Holes half a millimetre to one wider than what goes through. Common practice, no source. */
const SPOTS: Readonly<Partial<Record<HangingWay, readonly Spot[]>>> = {
  'screws-inside': [spot(true, 0, 5.5), spot(false, 0, 5.5)],
  eaves: [spot(true, 0, 5.5), spot(false, 0, 5.5)],
  'coach-screws': [spot(true, -0.5, 9), spot(true, 0.5, 9)],
  'barn-wall': [spot(true, -0.5, 9), spot(true, 0.5, 9), spot(false, -0.5, 9), spot(false, 0.5, 9)],
  chain: [spot(true, -0.7, 8.5), spot(true, 0.7, 8.5)],
  rod: [spot(true, 0, 10.5), spot(false, 0, 4)],
  pole: [
    spot(true, -0.4, 6.5),
    spot(true, 0.4, 6.5),
    spot(false, -0.4, 6.5),
    spot(false, 0.4, 6.5),
  ],
};

/** From the roof and from the floor; wood and sticks in the way move a hole on by steps. Common practice, no source. */
const FROM_END: Ticks = fromMm(35);
const STEP: Ticks = fromMm(5);
const STEPS = 16;

/** The wall behind the rooms. */
const backOf = (drafts: readonly Draft[]): Draft | undefined =>
  minBy(
    drafts.filter(({ role, outsideNormal }) => outsideNormal[1] > 0.99 && /back/.test(role)),
    ({ solid }) => -Math.max(...cornersOf(solid).map(([, y]) => y)),
  );

/** Whether a head on the back’s inner face stands free: a socket on its way to it meets nothing. */
const isOpen = (drafts: readonly Draft[], back: Draft, head: Vec3): boolean =>
  drafts.every(
    (draft) =>
      draft === back ||
      standsBefore(
        draft.solid.faces.map(({ plane }) => plane),
        head,
        [0, 1, 0],
      ) > HEAD_ROOM,
  );

function placed({ drafts, cavities }: BoxDraft, back: Draft, { high, beside }: Spot): Vec3 | null {
  const room = minBy(
    cavities,
    ({ origin, depth }) => -(origin[1] + depth) + Math.abs(origin[0]) / 10,
  );
  if (!room) return null;
  const inner = Math.min(...cornersOf(back.solid).map(([, y]) => y));
  const x = room.origin[0] + (beside * room.width) / 2;
  for (let step = 0; step < STEPS; step += 1) {
    const from = FROM_END + step * STEP;
    const z = room.origin[2] + (high ? room.heightBack - from : from);
    const head: Vec3 = [x, inner, z];
    if (isOpen(drafts, back, head)) return head;
  }
  return null;
}

const NO_PLACE = (way: HangingWay): PlanFault =>
  new PlanFault(
    'hanging',
    text`The back of this box has no free place for ${HANGING_WORDS[way][0]}. Take a plate behind the back, or another way.`,
  );

/** The way that a plan names, held against what is known; null where it names none. */
function wayOf({ hanging, choices }: BoxPlan): HangingWay | null {
  if (hanging === null) return null;
  if (!isHangingWay(hanging))
    throw new PlanFault(
      'hanging',
      text`“${hanging}” is no known way to hang a box; known are ${HANGING_WAYS.join(', ')}.`,
    );
  if (choices.mount !== undefined && choices.mount !== 'none' && SPOTS[hanging])
    throw new PlanFault(
      'hanging',
      text`The back already has holes or eyes of its own to hang by. Leave those out, or do without ${HANGING_WORDS[hanging][0]}.`,
    );
  return hanging;
}

/** The same box with the holes in its back that it hangs by. A way that is not known, or for which the back has no place, throws a PlanFault. */
export function withHangingHoles<T extends BoxDraft>(plan: BoxPlan, cut: T): T {
  const way = wayOf(plan);
  const spots = way && SPOTS[way];
  if (!way || !spots) return cut;
  const back = backOf(cut.drafts);
  if (!back) throw NO_PLACE(way);
  const heads = spots.map((each) => ({ ...each, at: placed(cut, back, each) }));
  if (heads.some(({ at }) => at === null)) throw NO_PLACE(way);
  const features: NonNullable<Draft['features']> = (toFrame) => [
    ...(back.features?.(toFrame) ?? []),
    ...heads.flatMap(({ at, diameter }): Feature[] =>
      at
        ? [
            {
              kind: 'mount',
              shape: 'round',
              centre: toFrame(at),
              diameter,
              depth: 'through',
              face: 'inside',
            },
          ]
        : [],
    ),
  ];
  const drafts = cut.drafts.map((draft) => (draft === back ? { ...draft, features } : draft));
  return { ...cut, drafts };
}
