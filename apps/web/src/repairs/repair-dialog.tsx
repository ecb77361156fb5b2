import type { NewRepairs } from '@spare-knot/core/api';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { today } from '../trail/words';
import { OverPage } from '../ui/over-page';
import { PanelPicker } from './panel-picker';
import { planPanels } from './plan-panels';
import { usePicked } from './use-picked';
import { usePlanVersion } from './use-repairs';

/** A box of which something is told to be broken. */
export interface BrokenBox {
  box: string;
  number: number;
  planKey: string | null;
  /** What a visit said of it. */
  wants: string;
}

function Fields({ of, onTell }: { of: BrokenBox; onTell: (told: NewRepairs) => Promise<boolean> }) {
  const version = usePlanVersion(of.planKey);
  const panels = useMemo(() => (version ? planPanels(version) : []), [version]);
  const { picked, pick, told } = usePicked();
  const [what, setWhat] = useState(of.wants);
  const [busy, setBusy] = useState(false);
  const isNothing = told.length === 0 && what.trim() === '';
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        setBusy(true);
        const repairs = { box: of.box, toldOn: today(), what: what.trim(), panels: told };
        void onTell(repairs).finally(() => setBusy(false));
      }}
    >
      {of.wants && (
        <p className="text-lg">
          The visit said: <strong>{of.wants}</strong>
        </p>
      )}
      {of.planKey === null && (
        <p className="rounded-md bg-warn-pale px-3 py-2">
          It is not known by which plan this box was built, so its panels have no names here.{' '}
          <Link className="link" to={`/trail/${of.box}`}>
            Say in which batch it was built
          </Link>
          , or tell it in words.
        </p>
      )}
      {version && panels.length === 0 && (
        <p className="rounded-md bg-warn-pale px-3 py-2">
          Its plan gives no box by today’s rules: tell it in words.
        </p>
      )}
      {panels.length > 0 && (
        <PanelPicker
          label="Which panels are to be made anew?"
          panels={panels}
          picked={picked}
          onPick={pick}
        />
      )}
      <label>
        <span className="label block">What is wrong, in words</span>
        <input
          className="field mt-1 min-h-11 w-full"
          value={what}
          maxLength={400}
          placeholder="split along the grain"
          onChange={(event) => setWhat(event.target.value)}
        />
      </label>
      <button
        type="submit"
        className="btn btn-main min-h-12 w-full justify-center text-lg"
        disabled={isNothing || busy}
      >
        {told.length > 0 ? 'These are to be mended' : 'This is to be mended'}
      </button>
    </form>
  );
}

/** Says what of a box is broken, by pointing at its panels. */
export function RepairDialog({
  of,
  onTell,
  onClose,
}: {
  /** Null while nothing is asked. */
  of: BrokenBox | null;
  onTell: (told: NewRepairs) => Promise<boolean>;
  onClose: () => void;
}) {
  return (
    <OverPage
      title={`Box ${of?.number ?? ''}: what is broken`}
      isOpen={of !== null}
      onClose={onClose}
    >
      {of && (
        <Fields
          of={of}
          onTell={async (told) => {
            const isKept = await onTell(told);
            if (isKept) onClose();
            return isKept;
          }}
        />
      )}
    </OverPage>
  );
}
