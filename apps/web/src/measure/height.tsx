import type { Ticks } from '@spare-knot/core/measure';
import { ofHeight, text } from '@spare-knot/core/text';
import { Sentence } from './length';

/** How high something hangs, in feet or metres. */
export function Height({ ticks }: { ticks: Ticks }) {
  return <Sentence text={text`${ofHeight(ticks)}`} />;
}
