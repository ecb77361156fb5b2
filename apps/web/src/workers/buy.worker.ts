import { type BuyQuestion, type WhatToBuy, whatToBuy } from '@spare-knot/core/advice';
import { highsSolver } from '@spare-knot/core/layout';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';

export type BuyWord = { kind: 'share'; share: number } | { kind: 'done'; answer: WhatToBuy };

self.onmessage = async ({ data }: MessageEvent<BuyQuestion>) => {
  const solver = await loadHighs({ locateFile: () => wasm })
    .then((highs) => highsSolver(highs as never))
    .catch(() => null);
  const steps = whatToBuy(data, solver);
  for (;;) {
    const step = steps.next();
    if (step.done) {
      self.postMessage({ kind: 'done', answer: step.value } satisfies BuyWord);
      return;
    }
    self.postMessage({ kind: 'share', share: step.value } satisfies BuyWord);
  }
};
