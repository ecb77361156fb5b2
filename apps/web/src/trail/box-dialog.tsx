import type { NewBox } from '@spare-knot/core/api';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
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
    <Dialog.Root open={start !== null} onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 top-0 z-40 mx-auto max-h-dvh w-full max-w-2xl overflow-y-auto bg-card p-4 sm:top-6 sm:max-h-[calc(100dvh-3rem)] sm:rounded-xl sm:border sm:border-line"
        >
          <div className="mb-3 flex items-start justify-between gap-3">
            <Dialog.Title className="text-2xl">{title}</Dialog.Title>
            <Dialog.Close className="btn btn-quiet min-h-12 min-w-12" aria-label="Close">
              <X aria-hidden />
            </Dialog.Close>
          </div>
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
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
