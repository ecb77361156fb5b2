import { type FitOffer, type FitQuestion, fitOffers } from '@spare-knot/core/advice';

export type FitWord = { kind: 'share'; share: number } | { kind: 'done'; answer: FitOffer[] };

self.onmessage = ({ data }: MessageEvent<FitQuestion>) => {
  const steps = fitOffers(data);
  for (;;) {
    const step = steps.next();
    if (step.done) {
      self.postMessage({ kind: 'done', answer: step.value } satisfies FitWord);
      return;
    }
    self.postMessage({ kind: 'share', share: step.value } satisfies FitWord);
  }
};
