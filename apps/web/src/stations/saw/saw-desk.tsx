import type { SawingRecord } from '@spare-knot/core/api';
import { cutsInOrder, piecesAtHand, stavesReady } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import { partName } from '@spare-knot/core/panels';
import { useQueryClient } from '@tanstack/react-query';
import { RotateCcw, Volume2, VolumeX } from 'lucide-react';
import { useMemo, useState } from 'react';
import { client } from '../../api/client';
import { useBatch } from '../../batch/batch-context';
import { PressWord } from '../../batch/press-word';
import { sawingKey, withProgress } from '../../batch/use-sawing';
import { messageOf } from '../../ui/message-of';
import { useNotice } from '../../ui/notice';
import { ShopPage, ShopSwitch, useScreenAwake, useShopMode } from '../../ui/shop-mode';
import { AfterSawing } from './after-sawing';
import { CutDesk } from './cut-desk';
import { useReadAloud } from './read-aloud';
import { ReplanDialog } from './replan';
import { Ribbon } from './ribbon';
import type { NameOf } from './step-words';
import { type Desk, useDesk } from './use-desk';
import { MARKINGS, type Marking, useMarking } from './use-marking';
import { usePreparing } from './use-preparing';
import { WrongPiece } from './wrong-piece';

/** What the panels of the batch are called, and the job that they are counted in. */
export interface Named {
  job: LayoutJob;
  names: ReadonlyMap<string, string>;
  nameOf: NameOf;
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

/** A panel whose staves are all there since the last cut: it is glued up while the rest is sawn. */
function GlueNow({
  desk: { plan, progress },
  named: { job, nameOf },
  wanted,
}: {
  desk: Desk;
  named: Named;
  wanted: SawingRecord['wanted'];
}) {
  const ready = useMemo(
    () => stavesReady(job, plan, progress, wanted),
    [job, plan, progress, wanted],
  );
  if (ready === null) return null;
  return (
    <p
      role="status"
      className="mb-2 rounded-lg border-2 border-moss bg-moss-pale px-3 py-2 text-lg"
    >
      <strong>All {ready.staves} staves are there:</strong> {ready.parts.map(nameOf).join(', ')}.
      Glue them edge to edge now; the clamps stay on while the rest is sawn, an hour at least
      (common practice; the glue’s own label says).
    </p>
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
  aloud,
  marking: [marking, setMarking],
}: {
  sawing: SawingRecord;
  desk: Desk;
  shop: ReturnType<typeof useShopMode>;
  aloud: ReturnType<typeof useReadAloud>;
  marking: ReturnType<typeof useMarking>;
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
      <PressWord keeping={state.keeping} kept="every cut is kept" />
      <PlanBefore sawing={sawing} desk={desk} />
      <label className="ml-auto flex min-h-11 items-center gap-2">
        Marking
        <select
          className="field min-h-11"
          value={marking}
          onChange={(event) => setMarking(event.target.value as Marking)}
        >
          {Object.entries(MARKINGS).map(([way, words]) => (
            <option key={way} value={way}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {aloud.canRead && (
        <button
          type="button"
          className="btn min-h-11"
          aria-pressed={aloud.isOn}
          onClick={() => aloud.setOn(!aloud.isOn)}
        >
          {aloud.isOn ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />} Read
          aloud
        </button>
      )}
      <ShopSwitch isShop={isShop} onChange={setShop} />
    </div>
  );
}

/** Sawing, one cut at a time. */
export function SawDesk({ sawing, named }: { sawing: SawingRecord; named: Named }) {
  const { batch, sound } = useBatch();
  const { layout } = batch.accepted ?? { layout: null };
  // What is laid out again later has been looked over already.
  const first = usePreparing(sawing.round === 0 ? named.job : null, sound?.box ?? null, layout);
  const desk = useDesk(sawing, first);
  const { plan, progress, done, hand, back } = desk;
  const shop = useShopMode();
  const aloud = useReadAloud();
  const marking = useMarking();
  const [open, setOpen] = useState<'wrong' | 'plan' | null>(null);
  useScreenAwake();
  const { wanted } = withProgress(sawing, progress);
  const close = () => setOpen(null);
  return (
    <ShopPage label="Sawing" isShop={shop[0]}>
      <Head sawing={sawing} desk={desk} shop={shop} aloud={aloud} marking={marking} />
      <Missing wanted={wanted} desk={desk} nameOf={named.nameOf} onPlan={() => setOpen('plan')} />
      <GlueNow desk={desk} named={named} wanted={wanted} />
      <Ribbon plan={plan} done={done} step={hand?.step ?? null} />
      {hand ? (
        <CutDesk
          desk={desk}
          hand={hand}
          stock={sawing.stock}
          nameOf={named.nameOf}
          isAloud={aloud.isOn}
          marking={marking[0]}
          onWrong={() => setOpen('wrong')}
        />
      ) : (
        <AfterSawing
          count={progress.done.length + sawing.cutsBefore}
          wanted={wanted.length}
          plan={plan}
          nameOf={named.nameOf}
          back={back}
        />
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
      {open === 'plan' && (
        <ReplanDialog
          job={named.job}
          names={named.names}
          keeping={desk.state.keeping}
          onClose={close}
        />
      )}
      <p className="mt-3 text-soft">
        Saw off and blade still before a setting is changed or a piece is touched; guard, eyes and
        ears as its manual says. Space or → when a cut is made, ← when the last one was not.
      </p>
    </ShopPage>
  );
}
