import { type NewBatch, NO_MAKING, NO_WISHES, type Supply } from '@spare-knot/core/api';
import { limitsOf, reachOfSaws } from '@spare-knot/core/cuts';
import { STANDARD_SAW } from '@spare-knot/core/job';
import { useQuery } from '@tanstack/react-query';
import { client } from '../api/client';
import { useUnits } from '../measure/units';

/** What a new batch says beside its boxes: the page’s units, the shop’s saws, where its wood comes from. */
export function useNewBatchFields(): (
  supply: Supply,
) => Pick<NewBatch, 'units' | 'division' | 'saw' | 'wishes' | 'making'> {
  const shop = useQuery({ queryKey: ['shop'], queryFn: client.shop });
  const saws = shop.data?.saws ?? [];
  const { style } = useUnits();
  return (supply) => ({
    units: style.system,
    division: style.division,
    saw: limitsOf(saws, STANDARD_SAW),
    wishes: { ...NO_WISHES, ...reachOfSaws(saws), supply },
    making: NO_MAKING,
  });
}
