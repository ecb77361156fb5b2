import { atan2, fromMm, type Ticks } from '../../measure/index.js';
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
    levels: [SPACER.above, sidesTo - SPACER.below - SPACER.long],
    scored: choices.grip === 'kerfs',
  };
}

export function poleFaults({ sizes, choices }: PolePlan, frame: PoleFrame): Refusal[] {
  const { post, spacer, crevice } = frame;
  const narrow = Math.min(post.x, post.y);
  const vented = choices.vents === 'holes';
  const fault = (when: boolean, field: string, message: Text) => ({ when, field, message });
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
      vented && sizes.ventAbove < SPACER.above + SPACER.long + sizes.ventSize,
      'ventAbove',
      text`The vents would open onto the lower spacers. Raise them.`,
    ),
  ]);
}
