import type { DueVisit } from '@spare-knot/core/trail';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useNotice } from '../ui/notice';
import { useVisits } from './use-visits';
import { type Visited, VisitForm } from './visit-form';
import { animalName } from './words';

/** A visit is told over the page it is asked from. */
export function VisitDialog({
  box,
  due,
  onClose,
}: {
  box: Visited | null;
  due: DueVisit | null;
  onClose: () => void;
}) {
  const { record } = useVisits();
  const say = useNotice();
  return (
    <Dialog.Root open={box !== null} onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 top-0 z-40 mx-auto max-h-dvh w-full max-w-2xl overflow-y-auto bg-card p-4 sm:top-6 sm:max-h-[calc(100dvh-3rem)] sm:rounded-xl sm:border sm:border-line"
        >
          <div className="mb-3 flex items-start justify-between gap-3">
            <Dialog.Title className="text-2xl">
              Visit to box {box?.number}
              <span className="block text-base font-normal text-soft">
                {box && animalName(box.animal)}
              </span>
            </Dialog.Title>
            <Dialog.Close className="btn btn-quiet min-h-12 min-w-12" aria-label="Close">
              <X aria-hidden />
            </Dialog.Close>
          </div>
          {box && (
            <VisitForm
              box={box}
              due={due}
              onTold={(visit, photo) => {
                if (!record(visit, photo)) return false;
                say(`Visit to box ${box.number} recorded.`);
                onClose();
                return true;
              }}
            />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
