import { useState } from 'react';
import type { Picked } from './panel-picker';

/** Panels that are pointed at, and how they are told. */
export function usePicked(): {
  picked: Picked;
  pick: (panel: string, count: number) => void;
  told: { panel: string; count: number }[];
} {
  const [picked, setPicked] = useState<Picked>(new Map());
  return {
    picked,
    pick: (panel, count) =>
      setPicked((before) => {
        const next = new Map(before);
        if (count > 0) next.set(panel, count);
        else next.delete(panel);
        return next;
      }),
    told: [...picked].map(([panel, count]) => ({ panel, count })),
  };
}
