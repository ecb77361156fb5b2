import type { SawingRecord } from '@spare-knot/core/api';
import { cutsInOrder, piecesAtHand } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import { partName } from '@spare-knot/core/panels';
import { useQueryClient } from '@tanstack/react-query';
import { Maximize, Minimize, RotateCcw } from 'lucide-react';
import { useState } from 'react';
import { client } from '../../api/client';
import { useBatch } from '../../batch/batch-context';
import { sawingKey, withProgress } from '../../batch/use-sawing';
import { messageOf } from '../../ui/message-of';
import { useNotice } from '../../ui/notice';
import { CutDesk } from './cut-desk';
import { ReplanDialog } from './replan';
import { Ribbon } from './ribbon';
import type { SawingState } from './sawing-session';
import type { NameOf } from './step-words';
import { type Desk, useDesk } from './use-desk';
import { usePreparing } from './use-preparing';
import { useScreenAwake, useShopMode } from './use-shop';
import { WrongPiece } from './wrong-piece';

/** What the panels of the batch are called, and the job that they are counted in. */
export interface Named {
  job: LayoutJob;
  names: ReadonlyMap<string, string>;
  nameOf: NameOf;
}

function Keeping({ keeping }: Pick<SawingState, 'keeping'>) {
  if (keeping.state === 'not kept' || keeping.state === 'let go')
    return (
      <p role="status" className="rounded bg-danger px-3 py-1 font-semibold text-white">
        {keeping.state === 'let go' ? 'That press was not taken: ' : 'Not kept yet: '}
        {keeping.why}
      </p>
    );
  return (
    <p role="status" className="text-soft">
      {keeping.state === 'keeping' ? 'keeping…' : 'every cut is kept'}
    </p>
  );
}

function AllSawn({ count, wanted, back }: { count: number; wanted: number; back: () => void }) {
  return (
    <div className="card p-6 text-xl">
      <h2 className="text-3xl">
        {wanted === 0 ? 'Every cut is made' : 'Every cut of this plan is made'}
      </h2>
      <p className="mt-2">
        {count} cuts.{' '}
        {wanted === 0
          ? 'The panels go on to the drill; the offcuts are on the rack.'
          : `${wanted === 1 ? 'One panel is' : `${wanted} panels are`} still missing: plan what is left again.`}
      </p>
      <button type="button" className="btn mt-4 min-h-12 text-lg" onClick={back}>
        <RotateCcw size={20} aria-hidden /> The last one was not
      </button>
    </div>
  );
}

/** Panels that have to be sawn again, or for which there was no wood. */
function Missing({
  wanted,
  desk,
  nameOf,
  onPlan,
}: {
  wanted: SawingRecord['wanted'];
  desk: Desk;
  nameOf: NameOf;
  onPlan: () => void;
}) {
  const last = desk.progress.ruined.at(-1);
  if (wanted.length === 0 && !last) return null;
  const shown = wanted.slice(0, 6).map(nameOf);
  const more = wanted.length - shown.length;
  return (
    <div className="mb-2 flex flex-wrap items-center gap-3 rounded-lg border-2 border-danger bg-danger-pale px-3 py-2 text-lg">
      <p className="flex-1">
        {wanted.length === 0 ? (
          'A piece went wrong in which no panel lay.'
        ) : (
          <>
            <strong>Still to be sawn, and in no plan:</strong> {shown.join(', ')}
            {more > 0 && ` and ${more} more`}.
          </>
        )}
      </p>
      {last && (
        <button type="button" className="btn min-h-11" onClick={() => desk.mend(last.piece)}>
          <RotateCcw size={18} aria-hidden /> It is all right after all
        </button>
      )}
      <button type="button" className="btn btn-main min-h-11" onClick={onPlan}>
        Plan what is left again
      </button>
    </div>
  );
}

/** The plan before, while nothing is sawn by this one. */
function PlanBefore({ sawing, desk }: { sawing: SawingRecord; desk: Desk }) {
  const { batch } = useBatch();
  const queries = useQueryClient();
  const say = useNotice();
  const { done, ruined } = desk.progress;
  if (sawing.round === 0 || done.length + ruined.length > 0) return null;
  const back = async () => {
    try {
      queries.setQueryData(sawingKey(batch.id), await client.sawBack(batch.id, sawing.round));
    } catch (error) {
      say(messageOf(error), { tone: 'danger' });
    }
  };
  return (
    <button type="button" className="btn min-h-11" onClick={() => void back()}>
      <RotateCcw size={18} aria-hidden /> Back to the plan before
    </button>
  );
}

function Head({
  sawing,
  desk,
  shop: [isShop, setShop],
}: {
  sawing: SawingRecord;
  desk: Desk;
  shop: ReturnType<typeof useShopMode>;
}) {
  const { plan, progress, lost, state } = desk;
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
      <p className="text-lg font-semibold">
        {progress.done.length} of {cutsInOrder(plan).length - lost.size} cuts
      </p>
      {sawing.cutsBefore > 0 && (
        <p className="text-soft">and {sawing.cutsBefore} by the plans before</p>
      )}
      <Keeping keeping={state.keeping} />
      <PlanBefore sawing={sawing} desk={desk} />
      <button
        type="button"
        className="btn ml-auto min-h-11"
        aria-pressed={isShop}
        onClick={() => setShop(!isShop)}
      >
        {isShop ? <Minimize size={18} aria-hidden /> : <Maximize size={18} aria-hidden />} Shop mode
      </button>
    </div>
  );
}

/** Sawing, one cut at a time. */
export function SawDesk({ sawing, named }: { sawing: SawingRecord; named: Named }) {
  const { batch } = useBatch();
  const { sound } = useBatch();
  const { layout } = batch.accepted ?? { layout: null };
  // What is laid out again later has been looked over already.
  const first = usePreparing(sawing.round === 0 ? named.job : null, sound?.box ?? null, layout);
  const desk = useDesk(sawing, first);
  const { plan, progress, done, hand, back } = desk;
  const shop = useShopMode();
  const [open, setOpen] = useState<'wrong' | 'plan' | null>(null);
  useScreenAwake();
  const { wanted } = withProgress(sawing, progress);
  const close = () => setOpen(null);
  return (
    <section
      aria-label="Sawing"
      data-shop={shop[0]}
      className={`group ${shop[0] ? 'fixed inset-0 z-30 overflow-auto bg-white p-4 text-black' : 'mt-4'}`}
    >
      <Head sawing={sawing} desk={desk} shop={shop} />
      <Missing wanted={wanted} desk={desk} nameOf={named.nameOf} onPlan={() => setOpen('plan')} />
      <Ribbon plan={plan} done={done} step={hand?.step ?? null} />
      {hand ? (
        <CutDesk
          desk={desk}
          hand={hand}
          stock={sawing.stock}
          nameOf={named.nameOf}
          onWrong={() => setOpen('wrong')}
        />
      ) : (
        <AllSawn count={progress.done.length} wanted={wanted.length} back={back} />
      )}
      {open === 'wrong' && (
        <WrongPiece
          pieces={piecesAtHand(plan, progress, hand)}
          kerf={batch.saw.kerf}
          nameOf={named.nameOf}
          panelName={(id) => partName(named.names, id)}
          onTell={(told) => {
            desk.tell(told);
            setOpen('plan');
          }}
          onClose={close}
        />
      )}
      {open === 'plan' && <ReplanDialog job={named.job} names={named.names} onClose={close} />}
      <p className="mt-3 text-soft">
        Saw off and blade still before a setting is changed or a piece is touched; guard, eyes and
        ears as its manual says. Space or → when a cut is made, ← when the last one was not.
      </p>
    </section>
  );
}
