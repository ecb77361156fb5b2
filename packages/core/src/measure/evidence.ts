/** How far a figure can be trusted: P published source, M quoted from memory of a published source, C common practice, no source. */
export type Mark = 'P' | 'M' | 'C';

export const MARK_MEANINGS: Record<Mark, string> = {
  P: 'published source',
  M: 'from memory of a published source',
  C: 'common practice, no source',
};
