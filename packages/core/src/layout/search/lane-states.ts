import type { Ticks } from '../../measure/index.js';
import type { Chain } from './chain.js';
import type { Filling, Piece, Region } from './filling.js';

/** Ways of lying that are told from one another, as a factor of their states' key. */
const MOST_WAYS = 1024;
/** A piece is laid away from the near edge only where that saves more length than this (3 mm): the edge is where one measures from. */
const AWAY_FROM_EDGE: Ticks = 960;
/** Pieces laid along a lane, and what they come to. */
export interface State {
  chain: Chain | null;
  used: Int32Array;
  /** The same sum for the same copies of each part; others hardly ever have it. */
  hash: number;
  value: number;
  reach: Ticks;
  score: number;
}

/** States one piece further, by what lies on the board and the piece laid last; of states alike in both only the best goes on. */
export class NextStates {
  private readonly states = new Map<number, State>();

  constructor(
    private readonly lane: Region,
    /** What a length of free lane is counted for. */
    private readonly density: number,
  ) {}

  scoreOf({ value, reach }: { value: number; reach: Ticks }, last: Piece): number {
    const away = last.y > this.lane.bottom ? AWAY_FROM_EDGE : 0;
    return value + this.density * (this.lane.right - reach - away);
  }

  takes(hash: number, way: number, score: number): boolean {
    const known = this.states.get(hash * MOST_WAYS + way);
    return !known || known.score < score;
  }

  add(hash: number, way: number, state: State): void {
    this.states.set(hash * MOST_WAYS + way, state);
  }

  all(): Iterable<State> {
    return this.states.values();
  }

  best(beam: number): State[] {
    return [...this.states.values()].sort((p, q) => q.score - p.score).slice(0, beam);
  }
}

/** More value, or as much on a shorter stretch. */
export const isMore = (state: State, than: State): boolean =>
  state.value > than.value + 1e-9 || (state.value > than.value - 1e-9 && state.reach < than.reach);

/** The pieces of a state from the left end on. */
export function fillingOfState({ chain, used, value }: State): Filling {
  const pieces: Piece[] = [];
  for (let link = chain; link; link = link.before) pieces.push(link.piece);
  return { pieces: pieces.reverse(), used: Array.from(used), value };
}
