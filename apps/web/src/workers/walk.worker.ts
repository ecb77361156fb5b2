import { type Coordinates, metresBetween, shortWalk, type Walk } from '@spare-knot/core/trail';
import { tellAnswer } from './tell-answer';

/** Places in any order; the walk begins at the first. */
export interface WalkQuestion {
  places: readonly Coordinates[];
}

function* answerTo({ places }: WalkQuestion): Generator<number, Walk, void> {
  yield 0;
  const between = (a: number, b: number): number => {
    const [one, other] = [places[a], places[b]];
    return one && other ? metresBetween(one, other) : 0;
  };
  return shortWalk(places.length, between);
}

self.onmessage = ({ data }: MessageEvent<WalkQuestion>) => tellAnswer(answerTo(data));
