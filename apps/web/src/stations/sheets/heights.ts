import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { type Heights, PER_MM } from './paper';

/** Of several that are drawn under one name, the highest. */
function heightsIn(sheets: Element): Heights {
  const heights = new Map<string, number>();
  for (const each of sheets.querySelectorAll<HTMLElement>('[data-height]')) {
    const name = String(each.dataset.height);
    const height = each.getBoundingClientRect().height / PER_MM;
    heights.set(name, Math.max(height, heights.get(name) ?? 0));
  }
  return heights;
}

/** How often letters have come in with which a line may break elsewhere. */
function useFontsCome(): number {
  const [come, setCome] = useState(0);
  useEffect(() => {
    const again = () => setCome((times) => times + 1);
    document.fonts.addEventListener('loadingdone', again);
    return () => document.fonts.removeEventListener('loadingdone', again);
  }, []);
  return come;
}

/**
 * What stands on sheets is measured before it is shown: as long as `heights` is null all of it is drawn one under the other within the
 * element of `sheets`, each part under its name in `data-height`, and drawn again when the heights are known. `drawnFrom` is all that
 * it is drawn from, the same objects as long as nothing changes.
 */
export function useHeights(...drawnFrom: readonly unknown[]) {
  const sheets = useRef<HTMLDivElement>(null);
  const from = [...drawnFrom, useFontsCome()];
  const [measured, setMeasured] = useState<{ from: readonly unknown[]; heights: Heights }>();
  const isOfThis = measured?.from.every((each, index) => Object.is(each, from[index]));
  const heights = measured && isOfThis ? measured.heights : null;
  useLayoutEffect(() => {
    if (heights === null && sheets.current)
      setMeasured({ from, heights: heightsIn(sheets.current) });
  });
  return { heights, sheets };
}
