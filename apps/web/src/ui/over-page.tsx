import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useFocusBack } from './focus-back';

/** Something that is told over the page it is asked from: the whole screen on a phone. */
export function OverPage({
  title,
  isOpen,
  onClose,
  children,
}: {
  title: ReactNode;
  isOpen: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const focusBack = useFocusBack();
  return (
    <Dialog.Root open={isOpen} onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          {...focusBack}
          className="fixed inset-x-0 top-0 z-40 mx-auto max-h-dvh w-full max-w-2xl overflow-y-auto bg-card p-4 sm:top-6 sm:max-h-[calc(100dvh-3rem)] sm:rounded-xl sm:border sm:border-line"
        >
          <div className="mb-3 flex items-start justify-between gap-3">
            <Dialog.Title className="text-2xl">{title}</Dialog.Title>
            <Dialog.Close className="btn btn-quiet min-h-12 min-w-12" aria-label="Close">
              <X aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
