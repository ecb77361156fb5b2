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
