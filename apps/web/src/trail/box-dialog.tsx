import type { NewBox } from '@spare-knot/core/api';
import { useState } from 'react';
import { OverPage } from '../ui/over-page';
import { BoxFields } from './box-fields';
import { faultOf } from './use-trail';

function Fields({
  start,
  keepWord,
  onKeep,
}: {
  start: NewBox;
  keepWord: string;
  onKeep: (box: NewBox) => Promise<boolean>;
}) {
  const [box, setBox] = useState(start);
  const [busy, setBusy] = useState(false);
  const fault = faultOf(box);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        setBusy(true);
        void onKeep(box).finally(() => setBusy(false));
      }}
    >
      <BoxFields box={box} tell={(told) => setBox((current) => ({ ...current, ...told }))} />
      {fault && (
        <p role="status" className="mt-3 text-danger">
          Not yet: {fault}
        </p>
      )}
      <div className="sticky bottom-0 mt-4 bg-card py-2">
        <button
          type="submit"
          className="btn btn-main min-h-12 w-full justify-center text-lg"
          disabled={fault !== null || busy}
        >
          {keepWord}
        </button>
      </div>
    </form>
  );
}

/** What is told of a box, over the page it is asked from. */
export function BoxDialog({
  title,
  start,
  keepWord,
  onKeep,
  onClose,
}: {
  title: string;
  /** Null while nothing is asked. */
  start: NewBox | null;
  keepWord: string;
  onKeep: (box: NewBox) => Promise<boolean>;
  onClose: () => void;
}) {
  return (
    <OverPage title={title} isOpen={start !== null} onClose={onClose}>
      {start && (
        <Fields
          start={start}
          keepWord={keepWord}
          onKeep={async (box) => {
            const isKept = await onKeep(box);
            if (isKept) onClose();
            return isKept;
          }}
        />
      )}
    </OverPage>
  );
}
