import type { KeptPlans } from '@spare-knot/core/api';
import type { ReadyPieces } from '@spare-knot/core/job';
import { type AssemblyRound, assemblyRounds } from '@spare-knot/core/spares';
import { tellAnswer } from './tell-answer';

/** All plans on the bench against all of the bin. */
export interface RoundsQuestion {
  plans: KeptPlans['plans'];
  bin: readonly ReadyPieces[];
}
export type RoundsAnswer = readonly AssemblyRound[];

function* answerTo({ plans, bin }: RoundsQuestion): Generator<number, RoundsAnswer, void> {
  yield 0;
  return assemblyRounds(plans, bin);
}

self.onmessage = ({ data }: MessageEvent<RoundsQuestion>) => tellAnswer(answerTo(data));
