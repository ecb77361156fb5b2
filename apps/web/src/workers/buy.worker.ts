import { type BuyQuestion, whatToBuy } from '@spare-knot/core/advice';
import { highsSolver } from '@spare-knot/core/layout';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import { tellAnswer } from './tell-answer';

self.onmessage = async ({ data }: MessageEvent<BuyQuestion>) => {
  const solver = await loadHighs({ locateFile: () => wasm })
    .then((highs) => highsSolver(highs as never))
    .catch(() => null);
  tellAnswer(whatToBuy(data, solver));
};
