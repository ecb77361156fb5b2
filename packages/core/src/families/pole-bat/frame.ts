import { atan2, cos, fromMm, type Ticks } from '../../measure/index.js';
import type { Refusal } from '../../plan/index.js';
import { ofLength, type Text, text } from '../../text/index.js';
import { refusalsOf } from '../common/entrance.js';
import { slopeAt } from '../common/ridge.js';
import type { PolePlan } from './declared.js';

/** Height of a spacer along the post, and how far the upper ones stay below the side’s upper edge: common practice, no source. */
export const SPACER = { long: fromMm(70), above: fromMm(60), below: fromMm(70) };
/** Crevices that bats use: common practice, no source. */
const CREVICE = { min: fromMm(10), max: fromMm(40) };
const UNDER_ROOF = fromMm(150);

/** What the tube round the post is cut by. */
export interface PoleFrame {
  t: { front: Ticks; back: Ticks; left: Ticks; right: Ticks };
  post: { x: Ticks; y: Ticks };
  spacer: { thick: Ticks; wide: Ticks };
  crevice: Ticks;
  half: number;
  depth: number;
  /** From the middle to the outside of the thicker side: both sides are built alike to it, the ridge over the middle of the post. */
  outer: number;
  apex: number;
  pitch: number;
  /** Height of the roof over the sides' inside. */
  eaves: number;
  /** Lower ends of the two rows of spacers. */
  levels: readonly number[];
  scored: boolean;
  /** Sticks in the crevice's corners and under the roof; null where panels are fastened edge to face. */
  sticks: { corner: { x: Ticks; y: Ticks }; rafter: { thick: Ticks; high: Ticks } } | null;
}

export function frameOf({ sizes, choices, wood }: PolePlan): PoleFrame {
  const t = {
    front: wood.front.thickness,
    back: wood.back.thickness,
    left: wood['side-left'].thickness,
    right: wood['side-right'].thickness,
  };
  const post = { x: wood.post.width ?? 0, y: wood.post.thickness };
  const spacer = { thick: wood.spacer.thickness, wide: wood.spacer.width ?? 0 };
  const crevice = spacer.thick - sizes.notch;
  const half = post.x / 2 + crevice;
  const outer = half + Math.max(t.left, t.right);
  const pitch = atan2(sizes.rise, outer);
  const apex = sizes.height + sizes.rise;
  const eaves = slopeAt({ apex, pitch }, half);
  const square = slopeAt({ apex, pitch }, outer);
  const sidesTo = choices.sideTops === 'square' ? Math.min(square, eaves) : eaves;
  return {
    t,
    post,
    spacer,
    crevice,
    half,
    depth: post.y + 2 * crevice,
    outer,
    apex,
    pitch,
    eaves,
    levels: [
      choices.spacersAt === 'ends' ? SPACER.above : Math.round((sidesTo - SPACER.long) / 2),
      sidesTo - SPACER.below - SPACER.long,
    ],
    scored: choices.grip === 'kerfs',
    sticks:
      choices.corners === 'sticks'
        ? {
            corner: { x: wood.corner.width ?? 0, y: wood.corner.thickness },
            rafter: { thick: wood.rafter.thickness, high: wood.rafter.width ?? 0 },
          }
        : null,
  };
}

type Fault = Refusal & { when: boolean };
const fault = (when: boolean, field: string, message: Text): Fault => ({ when, field, message });

/** Sticks fit the crevice, and those under the roof stay over the spacers. */
function stickFaults({ sticks, crevice, pitch, levels, eaves, spacer }: PoleFrame): Fault[] {
  if (!sticks) return [];
  const { corner, rafter } = sticks;
  const low = eaves - rafter.high / cos(pitch);
  return [
    fault(
      corner.x === 0 || Math.max(corner.x, corner.y) > crevice,
      'wood.corner',
      text`Choose a stick for the corners that is no thicker and no wider than the crevice, ${ofLength(crevice)}: it stands in its corner.`,
    ),
    fault(
      rafter.high === 0 || rafter.thick > crevice,
      'wood.rafter',
      text`Choose a stick under the roof that is no thicker than the crevice, ${ofLength(crevice)}.`,
    ),
    fault(
      low < Math.max(...levels) + SPACER.long && spacer.wide > 0,
      'wood.rafter',
      text`The sticks under the roof come down to the spacers. Choose narrower ones, or make the tube higher.`,
    ),
  ];
}

/** A point that is steeper than the roof, and niches that leave a post. */
function postFaults(
  { sizes, choices }: PolePlan,
  { post, pitch, apex, levels }: PoleFrame,
): Fault[] {
  const own = atan2(sizes.postPoint, post.x / 2);
  return [
    fault(
      choices.postTop === 'point' && own < pitch,
      'postPoint',
      text`The post’s point is flatter than the roof and would run into it. Make it higher.`,
    ),
    fault(
      choices.postTop === 'point' && apex - sizes.postPoint < Math.max(...levels) + SPACER.long,
      'postPoint',
      text`The point begins below the upper spacers, which are screwed to the post. Make it lower, or the tube higher.`,
    ),
    fault(
      choices.foot === 'rod' && sizes.rodSize > Math.min(post.x, post.y) / 3,
      'rodSize',
      text`A rod so thick leaves too little of the post round it. Take a thinner one, or a thicker post.`,
    ),
    fault(
      choices.foot === 'rod' && sizes.rodDeep > sizes.postBelow,
      'rodDeep',
      text`The rod would reach up into the tube. Bore less deep, or let the post stand out further below.`,
    ),
    fault(
      choices.niches === 'niches' && sizes.nicheDeep > post.y / 3,
      'nicheDeep',
      text`The niches leave too little of the post. Make them shallower.`,
    ),
  ];
}

export function poleFaults(plan: PolePlan, frame: PoleFrame): Refusal[] {
  const { sizes, choices } = plan;
  const { post, spacer, crevice } = frame;
  const narrow = Math.min(post.x, post.y);
  const vented = choices.vents === 'holes';
  const lowest = Math.min(...frame.levels);
  const vent = { low: sizes.ventAbove - sizes.ventSize, high: sizes.ventAbove + sizes.ventSize };
  return refusalsOf([
    fault(
      !post.x,
      'wood.post',
      text`Choose a post whose width is known: the tube is built round it.`,
    ),
    fault(!spacer.wide, 'wood.spacer', text`Choose a stick whose width is known for the spacers.`),
    fault(
      spacer.wide > narrow,
      'wood.spacer',
      text`The spacers are wider than the post. Choose a narrower stick.`,
    ),
    fault(
      crevice < CREVICE.min,
      'notch',
      text`Spacers ${ofLength(spacer.thick)} thick leave a crevice under ${ofLength(CREVICE.min)}. Notch less deep, or choose thicker sticks.`,
    ),
    fault(
      crevice > CREVICE.max,
      'wood.spacer',
      text`Crevices over ${ofLength(CREVICE.max)} hold no bats: choose thinner sticks for the spacers.`,
    ),
    fault(
      2 * sizes.notch > narrow / 2,
      'notch',
      text`The notches leave less than half of the post.`,
    ),
    fault(
      sizes.height < 2 * SPACER.long + SPACER.above + SPACER.below + fromMm(40),
      'height',
      text`The tube is too short for two rows of spacers.`,
    ),
    fault(
      vented && sizes.ventAbove > sizes.height - UNDER_ROOF,
      'ventAbove',
      text`The vents come too near the roof. Lower them, or make the tube higher.`,
    ),
    fault(
      vented && vent.low < lowest + SPACER.long && vent.high > lowest,
      'ventAbove',
      text`The vents would open onto the lower spacers. Move them up or down.`,
    ),
    ...stickFaults(frame),
    ...postFaults(plan, frame),
  ]);
}
