import { familyById } from '@spare-knot/core/families';
import type { BoxPlan } from '@spare-knot/core/plan';

import { useState } from 'react';
import { Length } from '../../measure/length';
import type { JudgedOffer } from '../../workers/lumber.worker';
import { useLumberOffers } from '../../workers/use-lumber-offers';

/** One size by which nothing of a panel is ripped, and what becomes of the floor and the rules. */
function LumberOffer({
  offer,
  panel,
  size,
  onTake,
}: {
  offer: JudgedOffer;
  panel: string;
  size: string;
  onTake: () => void;
}) {
  const [room] = offer.box.cavities;
  const { broken } = offer;
  return (
    <li className="border-b border-dotted border-line py-1.5 text-[0.9rem]">
      <span className="font-semibold">{panel}</span>: {size.toLowerCase()}{' '}
      <Length ticks={offer.before} /> →{' '}
      <strong>
        <Length ticks={offer.after} unit />
      </strong>
      , nothing to rip.
      {room && (
        <>
          {' '}
          Floor <Length ticks={room.width} /> × <Length ticks={room.depth} unit />
        </>
      )}
      {broken > 0 && (
        <span className="font-semibold text-danger">
          {' '}
          · breaks {broken === 1 ? 'a rule' : `${broken} rules`}
        </span>
      )}
      <button
        type="button"
        className="ml-1 min-h-6 font-semibold text-chalk underline underline-offset-3"
        onClick={onTake}
      >
        Take it
      </button>
    </li>
  );
}

/** Sizes by which a panel would be just as wide as its board, so that nothing is ripped, and what becomes of the floor. */
export function LumberDecides({
  plan,
  names,
  locked,
  onTake,
}: {
  plan: BoxPlan;
  names: ReadonlyMap<string, string>;
  locked: boolean;
  onTake: (offer: JudgedOffer) => void;
}) {
  const [open, setOpen] = useState(false);
  const { offers, trouble } = useLumberOffers(open ? plan : null);
  const family = familyById(plan.family);
  const label = (size: string) =>
    family?.parameters.find((each) => each.id === size)?.label ?? size;
  if (locked) return null;
  return (
    <details className="mt-3" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="font-slab font-semibold">Let the lumber decide</summary>
      {open && offers === null && trouble === null && (
        <p role="status" className="mt-1 text-sm">
          Trying the sizes…
        </p>
      )}
      {trouble && (
        <p role="alert" className="mt-1 text-sm text-danger">
          {trouble}
        </p>
      )}
      {offers?.length === 0 && (
        <p className="mt-1 text-sm text-soft">
          Every panel is as wide as its board, or no single size would make it so. Choose boards on
          Wood first.
        </p>
      )}
      <ul className="mt-1">
        {offers?.map((offer) => (
          <LumberOffer
            key={`${offer.panel} ${offer.size}`}
            offer={offer}
            panel={names.get(offer.panel) ?? offer.panel}
            size={label(offer.size)}
            onTake={() => onTake(offer)}
          />
        ))}
      </ul>
    </details>
  );
}
