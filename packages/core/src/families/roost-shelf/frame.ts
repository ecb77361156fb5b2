import { fromMm, type Ticks } from '../../measure/index.js';
import type { Refusal } from '../../plan/index.js';
import { ofLength, type Text, text } from '../../text/index.js';
import { refusalsOf } from '../common/entrance.js';
import { drainInset, type Floor, floorIn } from '../common/floor.js';
import { type StickSize, sheetStickFaults, stickSize } from '../common/sheet-sticks.js';
import type { ShelfPlan } from './declared.js';

/** A bracket's outer end is cut off blunt: a feather edge splits off. Common practice, no source. */
const NOSE: Ticks = fromMm(25);
/** A bracket stays this far behind the rim, so that nothing stands on it to reach in. Common practice, no source. */
const BEHIND_RIM: Ticks = fromMm(10);

/** What the tray is cut by: the floor's upper face at z = 0, the wall that it hangs on behind the back. */
export interface ShelfFrame {
  t: Readonly<Record<Exclude<keyof ShelfPlan['wood'], 'batten'>, Ticks>>;
  half: number;
  depth: Ticks;
  /** -1 where the other wall is on the left, 1 on the right. */
  corner: -1 | 1;
  /** Outsides of the boards at the two ends, from left to right. */
  outside: readonly [left: number, right: number];
  rim: Ticks;
  walls: Ticks;
  /** Lower face of the floor, lower end of the brackets and of the board behind them. */
  under: number;
  low: number;
  nose: Ticks;
  out: Ticks;
  /** Middles of the brackets. */
  brackets: readonly [number, number];
  floor: Floor;
  /** Battens behind the joints; null where panels are fastened edge to face. */
  sticks: StickSize | null;
}

export function frameOf(plan: ShelfPlan): ShelfFrame {
  const { sizes, choices, wood } = plan;
  const t = {
    floor: wood.floor.thickness,
    back: wood.back.thickness,
    side: wood.side.thickness,
    front: wood.front.thickness,
    end: wood.end.thickness,
    bracket: wood.bracket.thickness,
  };
  const half = sizes.width / 2;
  const corner = choices.corner === 'left' ? -1 : 1;
  const [left, right] = corner < 0 ? [t.side, t.end] : [t.end, t.side];
  const sticks = stickSize(choices.corners, wood.batten);
  // Beside battens the brackets stand at the tray’s ends, out of the way of its drains.
  const at = sticks ? half - t.bracket / 2 : Math.round(half / 2);
  const clear = sticks ? t.bracket + sticks.wide : 0;
  return {
    t,
    half,
    depth: sizes.depth,
    corner,
    outside: [-half - left, half + right],
    rim: sizes.frontAboveFloor,
    walls: sizes.wallsAboveFloor,
    under: -t.floor,
    low: -t.floor - sizes.bracketHigh,
    nose: NOSE,
    out: sizes.bracketOut,
    brackets: [-at, at],
    floor: floorIn(plan, { half, front: 0, back: sizes.depth }, t.floor, clear),
    sticks,
  };
}

/** Whether a drain opens onto a bracket, or onto a batten over or under the floor. */
function isBlocked({ floor, brackets, t, depth, out, sticks }: ShelfFrame): boolean {
  return floor.openings.some(({ polygon }) => {
    const [xs, ys] = [polygon.map(([x]) => x), polygon.map(([, y]) => y)];
    const inner = sticks?.wide ?? 0;
    // A gap runs right across: it drains on either side of a bracket.
    if (Math.max(...xs) - Math.min(...xs) > Math.abs(brackets[1] - brackets[0])) return false;
    return (
      Math.max(...ys) > depth - out &&
      brackets.some((at) => {
        const left = at - t.bracket / 2 - (at > 0 ? inner : 0);
        const right = at + t.bracket / 2 + (at < 0 ? inner : 0);
        return Math.max(...xs) > left && Math.min(...xs) < right;
      })
    );
  });
}

/** Sheet on battens: they stand behind the rim, and lie under the floor beside the brackets. */
function stickFaults({ sizes, choices }: ShelfPlan, frame: ShelfFrame): Refusal[] {
  const { sticks, t, half, depth, rim, out } = frame;
  if (!sticks) return [];
  const inset = drainInset(sizes.drainSize, t.bracket + sticks.wide);
  return [
    ...sheetStickFaults(sticks, { width: 2 * half, depth, slope: 0, floor: choices.floor }),
    ...refusalsOf([
      {
        when: rim < sticks.deep,
        field: 'frontAboveFloor',
        message: text`The rim is lower than the battens on the floor, ${ofLength(sticks.deep)} thick. Make it higher, or choose thinner sticks.`,
      },
      {
        when: Math.min(half, depth / 2) - inset < sizes.drainSize,
        field: 'drainSize',
        message: text`Between the battens and brackets there is no room for drains of ${ofLength(sizes.drainSize)}. Make the tray larger, or the drains smaller.`,
      },
      {
        when: Math.min(sizes.bracketHigh, out) < 2 * sticks.wide,
        field: sizes.bracketHigh < out ? 'bracketHigh' : 'bracketOut',
        message: text`Brackets this small leave hardly a place for the battens beside them. Make them larger, or choose narrower sticks.`,
      },
    ]),
  ];
}

export function shelfFaults(plan: ShelfPlan, frame: ShelfFrame): Refusal[] {
  const { sizes, choices } = plan;
  const gap = choices.floor.startsWith('gap') ? sizes.drainSize : 0;
  const fault = (when: boolean, field: string, message: Text) => ({ when, field, message });
  const faults = refusalsOf([
    fault(
      sizes.bracketOut > sizes.depth - BEHIND_RIM,
      'bracketOut',
      text`The brackets reach the rim. Let them end at least ${ofLength(BEHIND_RIM)} behind it, or make the tray deeper.`,
    ),
    fault(
      sizes.wallsAboveFloor < sizes.frontAboveFloor,
      'wallsAboveFloor',
      text`The boards on the walls must stand at least as high as the rim.`,
    ),
    fault(
      isBlocked(frame),
      'drainSize',
      text`A drain opens onto a bracket or a batten. Make the tray wider, or the drain smaller.`,
    ),
    fault(
      gap > sizes.depth / 4,
      'drainSize',
      text`The gaps leave too little of the floor. Make them narrower.`,
    ),
  ]);
  return [...faults, ...stickFaults(plan, frame)];
}
