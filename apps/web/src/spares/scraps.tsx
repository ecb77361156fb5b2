import { type NewBoard, offcutsOn, scrapTyped } from '@spare-knot/core/api';
import { STANDARD_SAW } from '@spare-knot/core/job';
import { printLength, printLengthUnit } from '@spare-knot/core/measure';
import type { Text } from '@spare-knot/core/text';
import { woodRefused } from '@spare-knot/core/wood';
import { useState } from 'react';
import { Length, Sentence } from '../measure/length';
import { useUnits } from '../measure/units';
import { QuickEntry } from '../rack/quick-entry';
import { useRack } from '../rack/use-rack';
import { useTools } from '../shop/use-tools';
import { Trouble } from '../ui/trouble';
import { Becomes, Bucket } from './scrap-answers';
import { useScraps } from './use-scraps';

/** Seconds for which the whole bucket is looked at. */
const SECONDS = 6;

/** An offcut of the rack instead of a scrap that is typed. */
function OffcutPicker({ onPick }: { onPick: (id: string) => void }) {
  const { boards } = useRack();
  const { style } = useUnits();
  const offcuts = boards.filter(({ offcut, quantity }) => offcut && quantity > 0);
  if (offcuts.length === 0) return null;
  return (
    <label className="flex max-w-full flex-wrap items-center gap-2">
      or an offcut of the rack
      <select className="field" value="" onChange={(event) => onPick(event.target.value)}>
        <option value="">which?</option>
        {offcuts.map(({ id, name, length, width }) => (
          <option key={id} value={id}>
            {name}, {printLength(length, style)} × {printLengthUnit(width, style)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Hold up a scrap and be told what it could become. */
export function Scraps() {
  const { plans, share, answer, trouble, waits, ask, stop, clear } = useScraps();
  const { shop } = useTools();
  const { query: rack, boards } = useRack();
  const [refused, setRefused] = useState<Text | null>(null);
  // The saw that stands first in the shop; a usual one until one is told.
  const saw = { ...STANDARD_SAW, kerf: shop?.saws[0]?.kerf ?? STANDARD_SAW.kerf };
  const known = plans.data?.plans ?? [];
  const leftOut = [...(answer?.broken ?? []), ...(plans.data?.unreadable ?? [])];
  const hold = async ([board]: NewBoard[]) => {
    if (!board) return undefined;
    const why = woodRefused(board);
    setRefused(why);
    if (why === null) ask({ saw, scraps: [scrapTyped(board)], seconds: null });
    else clear();
    return true;
  };
  const offcuts = offcutsOn(boards);
  const pick = (id: string) => {
    setRefused(null);
    const scraps = offcuts.filter((each) => each.id === id);
    if (scraps.length > 0) ask({ saw, scraps, seconds: null });
  };
  const all = () => {
    setRefused(null);
    ask({ saw, scraps: offcuts, seconds: SECONDS });
  };
  return (
    <section aria-label="Scraps">
      <p className="mt-3 max-w-3xl text-soft">
        Hold up a scrap: it is held against every panel of every plan on the bench, with its grain,
        its faces and its thickness, laid out for a kerf of <Length ticks={saw.kerf} unit />.
      </p>
      {[plans, rack].map(
        (query, index) =>
          query.isError && (
            <Trouble key={index} error={query.error} retry={() => void query.refetch()} />
          ),
      )}
      <div className="mt-4">
        <QuickEntry
          onAdd={hold}
          put="What could it become?"
          label="A scrap in one line: thickness × width × length, wood, face"
          example="5/8 x 4 1/2 x 14 cedar rough"
        />
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <OffcutPicker onPick={pick} />
        {offcuts.length > 0 && (
          <button type="button" className="btn" onClick={all} disabled={share !== null}>
            All {offcuts.length} offcuts at once
          </button>
        )}
        {share !== null && (
          <span className="flex items-center gap-2">
            <progress
              className="h-3 w-40 accent-chalk"
              value={share}
              max={1}
              aria-label="Looked at"
            />
            <button type="button" className="btn" onClick={stop}>
              Stop
            </button>
          </span>
        )}
      </div>
      {waits && <p className="mt-4">Looking at the plans…</p>}
      {refused && (
        <p role="alert" className="mt-4 rounded-md border border-danger bg-danger-pale px-3 py-2">
          <strong>Stop: </strong>no box is made of it. <Sentence text={refused} />
        </p>
      )}
      {trouble && (
        <p role="alert" className="mt-4 text-danger">
          It could not be worked out: {trouble}
        </p>
      )}
      {plans.data && known.length === 0 && (
        <p className="card mt-4 p-5">
          No plan is on the bench yet: start a batch, and scraps are held against its panels.
        </p>
      )}
      {answer && leftOut.length > 0 && (
        <p className="mt-3 text-soft">
          Left out, since their plans give no box or cannot be read: {leftOut.join(', ')}.
        </p>
      )}
      {!refused && answer && answer.laid === null && <Becomes answer={answer} saw={saw} />}
      {!refused && answer && answer.laid !== null && <Bucket answer={answer} />}
    </section>
  );
}
