import { eachOf, type Rows } from '@spare-knot/core/api';

/** A list as it goes over the wire under its own name: the rows that can be shown, and those that cannot. */
export function listed<Kept extends { id: string }>(
  key: string,
  { kept, unreadable }: Rows<Kept>,
  show: (kept: Kept) => unknown,
): Record<string, unknown> {
  const shown = eachOf(kept, show);
  const bad = [...unreadable, ...shown.unreadable];
  return { [key]: shown.kept, ...(bad.length > 0 && { unreadable: bad }) };
}
