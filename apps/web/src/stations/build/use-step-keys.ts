import { useEffect, useRef } from 'react';

/** Space and the arrows go on and back, as a foot switch or a gloved hand can; not while something is typed or a button has the focus. */
export function useStepKeys(go: (by: 1 | -1) => void): void {
  const latest = useRef(go);
  latest.current = go;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { target } = event;
      if (event.altKey || event.ctrlKey || event.metaKey) return;
      if (target instanceof HTMLElement && target.closest('input, select, textarea, [role=dialog]'))
        return;
      const inTabs = target instanceof HTMLElement && target.closest('[role=tablist]');
      // The tab that is open is a button that space does nothing to.
      const pressed = target instanceof HTMLButtonElement && target.getAttribute('role') !== 'tab';
      if ((event.key === ' ' && !pressed) || (event.key === 'ArrowRight' && !inTabs)) {
        event.preventDefault();
        latest.current(1);
      } else if (event.key === 'ArrowLeft' && !inTabs) {
        event.preventDefault();
        latest.current(-1);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
