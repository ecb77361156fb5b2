import {
  type CutAtHand,
  type Hold,
  type NamedPiece,
  type NamedPlan,
  type NamedStep,
  partsIn,
  type SeenAtSaw,
  type Side,
} from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import { printAngle } from '@spare-knot/core/measure';

/** Names of panels with the box they belong to. */
export type NameOf = (piece: { part: string; copy: number }) => string;

const TOOLS: Readonly<Record<NamedStep['tool'], string>> = {
  crosscut: 'Crosscut',
  rip: 'Rip',
  free: 'Saw out along the lines',
};
export const toolWord = ({ tool }: Pick<NamedStep, 'tool'>): string => TOOLS[tool];

/** Edges and ends as Layout draws a board: face A up, its left end where the tape starts. */
const SIDES: Readonly<Record<Side, string>> = {
  near: 'near edge',
  far: 'far edge',
  low: 'left end',
  high: 'right end',
};
export const sideWord = (side: Side): string => SIDES[side];

const HOLDS: Readonly<Record<Hold, string>> = {
  hand: 'Held by hand, out of the blade’s line.',
  clamp: 'Clamp it: it is too short to hold by hand.',
  sled: 'On a sled: it is too short to push along the fence by hand.',
  jig: 'With a jig, or a push stick that fills the strip between blade and fence.',
};
export const holdWords = (hold: Hold): string => HOLDS[hold];

/** What fence and blade are set to, square said as such. */
export function settingWords({ tool, angle, tilt }: NamedStep): string {
  if (tool === 'free') return 'jigsaw, board clamped';
  const turned = tool === 'rip' ? `tapered ${printAngle(angle)}` : `fence ${printAngle(angle)}`;
  const words = [angle > 0 && turned, tilt > 0 && `blade ${printAngle(tilt)}`].filter(Boolean);
  return words.length > 0 ? words.join(', ') : 'square';
}

/** What a piece is called as it comes off. */
export function pieceWords(piece: NamedPiece | null, nameOf: NameOf, parts: number): string {
  if (!piece) return 'nothing but dust';
  if (piece.is === 'offcut') return 'an offcut to keep';
  if (piece.is === 'waste') return 'waste';
  if (piece.is) return nameOf(piece.is);
  return parts === 1 ? 'a piece with one panel in it' : `a piece with ${parts} panels in it`;
}

const PLACES: Readonly<
  Record<NonNullable<SeenAtSaw['firstAt']>, readonly [first: string, second: string]>
> = {
  left: ['at your left', 'at your right'],
  right: ['at your right', 'at your left'],
  fence: ['along the fence', 'in front of the blade'],
  front: ['in front of the blade', 'along the fence'],
};

/** What comes of a cut, and where it lies then. */
export interface Given {
  words: string;
  /** Null for what is sawn out along its lines. */
  place: string | null;
}

/** Both sides of a cut as the maker sees them, what is at the left or along the fence first. */
export function givenWords(
  plan: NamedPlan,
  { board, gives }: CutAtHand,
  firstAt: SeenAtSaw['firstAt'],
  nameOf: NameOf,
): Given[] {
  const on = at(plan.boards, board);
  const given = gives.map(
    (piece, index): Given => ({
      words: pieceWords(piece, nameOf, piece ? partsIn(on, piece.id).length : 0),
      place: firstAt && (PLACES[firstAt][index] ?? null),
    }),
  );
  return firstAt === 'right' || firstAt === 'front' ? given.reverse() : given;
}

/** How the piece is laid down. */
export function lieWords({ how }: CutAtHand): string {
  if (!how.fence) return 'On the bench, face A up, clamped.';
  const stop = how.end ? `, its ${sideWord(how.end)} against the stop at your left` : '';
  return `Face ${how.faceUp} up, its ${sideWord(how.fence)} on the fence${stop}.`;
}
