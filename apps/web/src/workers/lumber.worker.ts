import { type LumberOffer, lumberOffers } from '@spare-knot/core/advice';
import { checkBox } from '@spare-knot/core/families';
import type { BoxPlan } from '@spare-knot/core/plan';

/** An offer, and how many rules the box would then break. */
export type JudgedOffer = LumberOffer & { broken: number };

self.onmessage = ({ data }: MessageEvent<BoxPlan>) => {
  const offers = lumberOffers(data).map((offer) => ({
    ...offer,
    broken: checkBox(offer.plan, offer.box).filter(({ severity }) => severity === 'stop').length,
  }));
  self.postMessage(offers satisfies JudgedOffer[]);
};
