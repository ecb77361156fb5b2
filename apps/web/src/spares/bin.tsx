import type { KeptPlans, SpareRecord } from '@spare-knot/core/api';
import { materialName } from '@spare-knot/core/wood';
import { Trash2 } from 'lucide-react';
import { useWidth } from '../board/use-width';
import { Length } from '../measure/length';
import { AmountField } from '../ui/amount-field';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';
import { WordField } from '../ui/word-field';
import { BinPanelDrawing, sizeOf } from './bin-panel';
import { PutInBin } from './put-in-bin';
import { useBin } from './use-bin';

/** Pixels that the longest panel of the bin may be high, and the widest wide. */
const MOST = { high: 210, wide: 200 };

function Panel({
  spare,
  scale,
  onChange,
  onRemove,
}: {
  spare: SpareRecord;
  scale: number;
  onChange: (to: Partial<Pick<SpareRecord, 'count' | 'place'>>) => void;
  onRemove: () => void;
}) {
  const { name, plan, material, thickness, count, place } = spare;
  return (
    <li className="card flex w-60 flex-col p-3" data-spare={name}>
      <div className="flex min-h-[216px] items-end justify-center rounded bg-[#e7dfcd] p-1">
        <BinPanelDrawing spare={spare} scale={scale} />
      </div>
      <p className="mt-2 text-lg leading-tight">
        <strong>
          {count} × {name}
        </strong>
      </p>
      <p className="text-sm">
        of {plan.name}, as it was on {new Date(plan.since).toLocaleDateString('en-CA')}
      </p>
      <p className="text-sm text-soft">
        {materialName(material)}, <Length ticks={thickness} unit /> thick
      </p>
      <div className="mt-auto flex items-center gap-2 pt-2">
        <AmountField
          label={`How many of ${name}`}
          hideLabel
          className="w-16"
          least={1}
          most={100_000}
          value={count}
          onChange={(next) => next !== null && Number.isInteger(next) && onChange({ count: next })}
        />
        <WordField
          label={`Where ${name} lies`}
          placeholder="lies where?"
          most={120}
          value={place}
          onChange={(next) => onChange({ place: next })}
        />
        <button
          type="button"
          className="btn btn-quiet"
          aria-label={`Take ${name} out of the bin for good`}
          onClick={onRemove}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
    </li>
  );
}

/** Panels made ahead, all drawn to one scale. */
export function Bin({ plans }: { plans: KeptPlans['plans'] }) {
  const { query, spares, put, change, remove } = useBin();
  const [ref, width] = useWidth<HTMLUListElement>();
  const sizes = spares.map(sizeOf);
  const scale = Math.min(
    ...sizes.map(({ long, wide }) => Math.min(MOST.high / long, MOST.wide / wide)),
  );
  return (
    <section aria-label="Bin">
      <p className="mt-3 max-w-3xl text-soft">
        Panels that are made ahead. A batch takes from here before it saws: at its Layout it is
        offered what fits, whatever plan it was made for.
      </p>
      <PutInBin plans={plans} onPut={put} />
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list="bin" />
      {query.data && spares.length === 0 && (
        <p className="card mt-4 p-5">
          The bin is empty. Say what you have made ahead, or what a scrap became: it is counted by
          plan, wood and place.
        </p>
      )}
      <ul ref={ref} className="mt-4 flex flex-wrap gap-3">
        {width > 0 &&
          spares.map((spare) => (
            <Panel
              key={spare.id}
              spare={spare}
              scale={scale}
              onChange={(to) => void change(spare, to)}
              onRemove={() => void remove(spare)}
            />
          ))}
      </ul>
    </section>
  );
}
