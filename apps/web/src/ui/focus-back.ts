import { useRef } from 'react';

/** For the content of a dialog that no trigger of its own opens: whoever closes it is where they were before. */
export function useFocusBack() {
  const before = useRef<Element | null>(null);
  return {
    onOpenAutoFocus: () => {
      before.current = document.activeElement;
    },
    onCloseAutoFocus: (event: Event) => {
      event.preventDefault();
      if (before.current instanceof HTMLElement || before.current instanceof SVGElement)
        before.current.focus();
    },
  };
}
