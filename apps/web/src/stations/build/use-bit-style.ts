import type { LengthStyle } from '@spare-knot/core/measure';
import { useUnits } from '../../measure/units';

/** Bits come in sixty-fourths, whatever the tape is divided in. */
export function useBitStyle(): LengthStyle {
  const { style } = useUnits();
  return style.system === 'inch' ? { system: 'inch', division: 64 } : style;
}
