import { useEffect, useState } from 'react';

const SHELF = 'spare-knot.shop-mode';

/** Large and full screen beside the saw: as it was left, at first on wherever a finger points. */
export function useShopMode(): [boolean, (on: boolean) => void] {
  const [isOn, setOn] = useState(() => {
    const kept = localStorage.getItem(SHELF);
    return kept === null ? window.matchMedia('(pointer: coarse)').matches : kept === 'on';
  });
  return [
    isOn,
    (on) => {
      localStorage.setItem(SHELF, on ? 'on' : 'off');
      setOn(on);
    },
  ];
}

/** How lengths are marked: at a stop, all of a board before it is sawn, or one after the other from a fresh end. */
export const MARKINGS = {
  stop: 'at a stop',
  all: 'all marked first',
  single: 'one at a time',
} as const;
export type Marking = keyof typeof MARKINGS;

const MARKING_SHELF = 'spare-knot.marking';
const isMarking = (kept: string | null): kept is Marking => kept !== null && kept in MARKINGS;

/** How this device’s maker marks: as it was left. */
export function useMarking(): [Marking, (marking: Marking) => void] {
  const [marking, set] = useState<Marking>(() => {
    const kept = localStorage.getItem(MARKING_SHELF);
    return isMarking(kept) ? kept : 'stop';
  });
  return [
    marking,
    (next) => {
      localStorage.setItem(MARKING_SHELF, next);
      set(next);
    },
  ];
}

/** Keeps the screen awake while the station is open, where the browser can. */
export function useScreenAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let isOpen = true;
    const keep = async () => {
      if (document.visibilityState !== 'visible') return;
      // A browser without it, or a battery that is low, lets the screen sleep; sawing goes on.
      lock = (await navigator.wakeLock?.request('screen').catch(() => null)) ?? null;
      if (!isOpen) void lock?.release();
    };
    void keep();
    document.addEventListener('visibilitychange', keep);
    return () => {
      isOpen = false;
      document.removeEventListener('visibilitychange', keep);
      void lock?.release();
    };
  }, []);
}
