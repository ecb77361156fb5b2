import type { AnswerWord } from './one-answer';

/** Works an answer out step by step, telling the page the share that is done and at the end what was found. */
export function tellAnswer<A>(steps: Generator<number, A, void>): void {
  const tell = (word: AnswerWord<A>): void => self.postMessage(word);
  for (;;) {
    const step = steps.next();
    if (step.done) {
      tell({ kind: 'done', answer: step.value });
      return;
    }
    tell({ kind: 'share', share: step.value });
  }
}
