import { useEffect, useRef } from 'react';

/** What a key tells; nothing where it is meant for a field, a dialog, a button or the tabs. */
function pressOf(event: KeyboardEvent): 'done' | 'next' | 'back' | null {
  const { target, key } = event;
  if (event.altKey || event.ctrlKey || event.metaKey || event.repeat) return null;
  if (!(target instanceof HTMLElement)) return null;
  if (target.closest('input, select, textarea, [role=dialog]')) return null;
  // The tab that is open is a button that space does nothing to.
  const isButton = target instanceof HTMLButtonElement && target.getAttribute('role') !== 'tab';
  if (key === ' ') return isButton ? null : 'done';
  if (target.closest('[role=tablist]')) return null;
  if (key === 'ArrowRight') return 'next';
  return key === 'ArrowLeft' ? 'back' : null;
}

/** Space tells that it is done and goes on, the arrows go on and back, as a foot switch or a gloved hand can; not while something is typed or a button has the focus. */
export function useStepKeys(go: (by: 1 | -1) => void, done: () => void = () => go(1)): void {
  const latest = useRef({ go, done });
  latest.current = { go, done };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const pressed = pressOf(event);
      if (pressed === null) return;
      event.preventDefault();
      if (pressed === 'done') latest.current.done();
      else latest.current.go(pressed === 'next' ? 1 : -1);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
