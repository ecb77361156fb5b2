import type { BeyondMending, BoxRecord } from '@spare-knot/core/api';
import { useMemo, useState } from 'react';
import { today } from '../trail/words';
import { OverPage } from '../ui/over-page';
import { PanelPicker } from './panel-picker';
import { planPanels } from './plan-panels';
import { useAlone } from './use-alone';
import { usePicked } from './use-picked';
import { usePlanVersion } from './use-repairs';

function Fields({
  box,
  onTell,
}: {
  box: BoxRecord;
  onTell: (told: BeyondMending) => Promise<boolean>;
}) {
  const version = usePlanVersion(box.planKey);
  const panels = useMemo(() => (version ? planPanels(version) : []), [version]);
  const bin = usePicked();
  const wood = usePicked();
  const [place, setPlace] = useState('');
  const [on, setOn] = useState(today());
  const [busy, setBusy] = useState(false);
  const alone = useAlone(box);
  const isStop = alone !== null && on < alone;
  const spent = (of: typeof bin) =>
    panels.flatMap((panel) => {
      const left = panel.each - (of.picked.get(panel.id) ?? 0);
      return left > 0 ? [{ ...panel, each: left }] : [];
    });
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        setBusy(true);
        const told = { version: box.version, on, bin: bin.told, wood: wood.told, place };
        void onTell(told).finally(() => setBusy(false));
      }}
    >
      <p>
        Look first that nothing lives in it. Its number stays with it: the visits are kept, and its
        open repairs are closed.
      </p>
      {panels.length === 0 && (
        <p className="rounded-md bg-warn-pale px-3 py-2">
          {box.planKey === null
            ? 'It is not known by which plan it was built: what is sound of it is entered on the rack by hand.'
            : 'Fetching its panels…'}
        </p>
      )}
      {panels.length > 0 && (
        <>
          <PanelPicker
            label="Sound, and to be used as they are: in the bin"
            panels={spent(wood)}
            picked={bin.picked}
            onPick={bin.pick}
          />
          <PanelPicker
            label="Good for wood alone: on the rack, as an offcut to be looked at"
            panels={spent(bin)}
            picked={wood.picked}
            onPick={wood.pick}
          />
        </>
      )}
      {isStop && (
        <p role="alert" className="rounded-md border-2 border-danger bg-danger-pale px-3 py-2">
          <strong>Leave it alone.</strong> Eggs or young may be in it: it is not taken down before{' '}
          {alone}.
        </p>
      )}
      <div className="flex flex-wrap gap-4">
        <label>
          <span className="label block">Taken down on</span>
          <input
            type="date"
            required
            className="field mt-1 min-h-11"
            value={on}
            onChange={(event) => setOn(event.target.value)}
          />
        </label>
        {bin.told.length > 0 && (
          <label className="flex-1">
            <span className="label block">The panels lie where</span>
            <input
              className="field mt-1 min-h-11 w-full"
              value={place}
              maxLength={120}
              placeholder="bin 2, under the bench"
              onChange={(event) => setPlace(event.target.value)}
            />
          </label>
        )}
      </div>
      <button
        type="submit"
        className="btn btn-main min-h-12 w-full justify-center text-lg"
        disabled={busy || isStop}
      >
        Take it down for good
      </button>
    </form>
  );
}

/** A box that is not mended any more: what is kept of it. */
export function BeyondDialog({
  box,
  onTell,
  onClose,
}: {
  /** Null while nothing is asked. */
  box: BoxRecord | null;
  onTell: (box: BoxRecord, told: BeyondMending) => Promise<boolean>;
  onClose: () => void;
}) {
  return (
    <OverPage
      title={`Box ${box?.number ?? ''} is beyond mending`}
      isOpen={box !== null}
      onClose={onClose}
    >
      {box && (
        <Fields
          box={box}
          onTell={async (told) => {
            const isKept = await onTell(box, told);
            if (isKept) onClose();
            return isKept;
          }}
        />
      )}
    </OverPage>
  );
}
