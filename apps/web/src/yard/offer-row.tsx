import { boardOffered, type NewOffer, type OfferRecord } from '@spare-knot/core/api';
import { printMoney } from '@spare-knot/core/measure';
import { woodRefused } from '@spare-knot/core/wood';
import { Pencil, Trash2 } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { BoardDrawing } from '../board/board-drawing';
import { Length, Sentence } from '../measure/length';
import { PriceField, SizeFields } from '../rack/size-fields';
import { assumedWords, facesWords, woodWords } from '../wood/wood-words';

/** What an offer is, in words: size, wood, faces, price, how many there are. */
export function OfferWords({ offer }: { offer: OfferRecord }) {
  const { thickness, width, length, price, available } = offer;
  const assumed = assumedWords(offer);
  const refused = woodRefused(offer);
  return (
    <>
      <p className="text-[0.92rem] text-soft">
        <Length ticks={thickness} /> × <Length ticks={width} /> × <Length ticks={length} unit />,{' '}
        {woodWords(offer)}, {facesWords(offer)}
        {assumed && <span className="font-semibold text-ink"> · {assumed}</span>}
        {available !== null && ` · ${available} to be had`}
      </p>
      {price === null && (
        <p className="text-sm font-semibold text-danger">
          No price: nothing is bought without one. What does one cost?
        </p>
      )}
      {refused && (
        <p className="text-sm font-semibold text-danger">
          Not for boxes, and never bought. <Sentence text={refused} />
        </p>
      )}
    </>
  );
}

/** A kind of board as a yard sells it: drawn to scale, with its price. */
export function OfferRow({
  offer,
  scale,
  children,
}: {
  offer: OfferRecord;
  scale: number;
  children?: ReactNode;
}) {
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="font-sans text-base font-bold">{offer.name}</h3>
        {offer.price !== null && (
          <span className="mono font-semibold">{printMoney(offer.price)} each</span>
        )}
        <div className="ml-auto flex items-center gap-1">{children}</div>
      </div>
      <OfferWords offer={offer} />
      <div className="mt-1 overflow-hidden">
        <BoardDrawing board={boardOffered(offer)} scale={scale} label={offer.name} />
      </div>
    </div>
  );
}

/** An offer on the list of its yard, to be changed or taken off. */
export function OfferOnList({
  offer,
  scale,
  onChange,
  onRemove,
}: {
  offer: OfferRecord;
  scale: number;
  onChange: (change: Partial<NewOffer>) => void;
  onRemove: () => void;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <li className="card p-3" data-offer={offer.name}>
      <OfferRow offer={offer} scale={scale}>
        <button
          type="button"
          className="btn btn-quiet"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          <Pencil size={16} aria-hidden /> {isOpen ? 'Close' : 'Price and size'}
        </button>
        <button
          type="button"
          className="btn btn-quiet"
          aria-label={`Take ${offer.name} off the list`}
          onClick={onRemove}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </OfferRow>
      {isOpen && (
        <div className="mt-3 flex flex-wrap items-start gap-3 rounded-md border border-line bg-white p-3">
          <PriceField
            key={`price ${offer.version}`}
            price={offer.price}
            onChange={(price) => onChange({ price })}
          />
          <AvailableField key={`available ${offer.version}`} offer={offer} onChange={onChange} />
          <SizeFields wood={offer} onChange={(change) => onChange(change)} />
        </div>
      )}
    </li>
  );
}

function AvailableField({
  offer,
  onChange,
}: {
  offer: OfferRecord;
  onChange: (change: Partial<NewOffer>) => void;
}) {
  const kept = offer.available === null ? '' : String(offer.available);
  const [said, setSaid] = useState(kept);
  return (
    <label>
      <span className="label block">How many there are</span>
      <input
        className="field mono w-28"
        value={said}
        inputMode="numeric"
        placeholder="no end"
        onChange={(event) => setSaid(event.target.value)}
        onBlur={() => {
          const available = said.trim() === '' ? null : Number(said);
          const isCount =
            available === null ||
            (Number.isInteger(available) && available >= 1 && available <= 1000);
          if (!isCount) setSaid(kept);
          else if (available !== offer.available) onChange({ available });
        }}
      />
    </label>
  );
}
