/** How far a figure can be trusted: P published source, M quoted from memory of a published source, C common practice, no source. */
export type Evidence = 'P' | 'M' | 'C';

export const EVIDENCE_MEANINGS: Record<Evidence, string> = {
  P: 'published source',
  M: 'from memory of a published source',
  C: 'common practice, no source',
};
