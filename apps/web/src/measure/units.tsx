import type { LengthStyle, UnitSystem } from '@spare-knot/core/measure';
import { createContext, type ReactNode, useContext, useMemo, useState } from 'react';
import { lasting } from '../store/steady-store';

const KEY = 'spare-knot.units';

interface Units {
  style: LengthStyle;
  setStyle: (style: LengthStyle) => void;
}

const UnitsContext = createContext<Units>({
  style: { system: 'inch', division: 16 },
  setStyle: () => {},
});

/** How lengths are shown here: the batch's own way inside a batch, this browser's elsewhere. */
export const useUnits = (): Units => useContext(UnitsContext);

export const styleOf = (system: UnitSystem, division: number): LengthStyle =>
  system === 'inch'
    ? { system, division: division === 32 || division === 64 ? division : 16 }
    : { system, division: division === 10 ? 10 : 1 };

function remembered(): LengthStyle {
  const [system, division] = (lasting.getItem(KEY) ?? 'inch 16').split(' ');
  return styleOf(system === 'mm' ? 'mm' : 'inch', Number(division));
}

export function RememberedUnits({ children }: { children: ReactNode }) {
  const [style, set] = useState(remembered);
  const value = useMemo(
    () => ({
      style,
      setStyle: (next: LengthStyle) => {
        lasting.setItem(KEY, `${next.system} ${next.division}`);
        set(next);
      },
    }),
    [style],
  );
  return <UnitsContext value={value}>{children}</UnitsContext>;
}

export const GivenUnits = ({ value, children }: { value: Units; children: ReactNode }) => (
  <UnitsContext value={value}>{children}</UnitsContext>
);
