import { Maximize, Minimize } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';
import { lasting } from '../store/steady-store';

const SHELF = 'spare-knot.shop-mode';

/** Large and full screen in the shop: as it was left, at first on wherever a finger points. */
export function useShopMode(): [boolean, (on: boolean) => void] {
  const [isOn, setOn] = useState(() => {
    const kept = lasting.getItem(SHELF);
    return kept === null ? window.matchMedia('(pointer: coarse)').matches : kept === 'on';
  });
  return [
    isOn,
    (on) => {
      lasting.setItem(SHELF, on ? 'on' : 'off');
      setOn(on);
    },
  ];
}

/** Keeps the screen awake while a station is open, where the browser can. */
export function useScreenAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let isOpen = true;
    const keep = async () => {
      if (document.visibilityState !== 'visible') return;
      // A browser without it, or a battery that is low, lets the screen sleep; work goes on.
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

/** What is worked by, over the whole screen in shop mode. */
export function ShopPage({
  label,
  isShop,
  children,
}: {
  label: string;
  isShop: boolean;
  children: ReactNode;
}) {
  return (
    <section
      aria-label={label}
      data-shop={isShop}
      className={`group ${isShop ? 'fixed inset-0 z-30 overflow-auto bg-white p-4 text-black' : 'mt-4'}`}
    >
      {children}
    </section>
  );
}

/** The switch between the page and the whole screen. */
export function ShopSwitch({
  isShop,
  onChange,
}: {
  isShop: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <button
      type="button"
      className="btn min-h-11"
      aria-pressed={isShop}
      onClick={() => onChange(!isShop)}
    >
      {isShop ? <Minimize size={18} aria-hidden /> : <Maximize size={18} aria-hidden />} Shop mode
    </button>
  );
}
