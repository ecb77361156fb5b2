import { type Preparation, preparations } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import type { Layout } from '@spare-knot/core/layout';
import type { PanelSet } from '@spare-knot/core/panels';
import type { Text } from '@spare-knot/core/text';
import { useMemo } from 'react';
import { usePrintedText } from '../../measure/length';

/** `1, 3–5`. */
function numbered(boards: readonly number[]): string {
  const runs: [from: number, to: number][] = [];
  for (const board of boards) {
    const last = runs.at(-1);
    if (last && last[1] === board - 1) last[1] = board;
    else runs.push([board, board]);
  }
  return runs.map(([from, to]) => (from === to ? String(from) : `${from}–${to}`)).join(', ');
}

/** Boards of which the same is said stand together. */
function grouped(said: readonly Preparation[], print: (text: Text) => string): string[] {
  const groups = new Map<string, number[]>();
  for (const { board, words } of said) {
    const printed = print(words);
    const boards = groups.get(printed) ?? [];
    if (board !== null && boards.at(-1) !== board + 1) boards.push(board + 1);
    groups.set(printed, boards);
  }
  return [...groups].map(([printed, boards]) =>
    boards.length === 0
      ? printed
      : `${boards.length === 1 ? 'board' : 'boards'} ${numbered(boards)}: ${printed}`,
  );
}

/** What is done while the boards of a layout are long, in words; nothing where there is no layout. */
export function usePreparing(
  job: LayoutJob | null,
  box: PanelSet | null,
  layout: Layout | null,
): readonly string[] {
  const print = usePrintedText();
  return useMemo(
    () => (job && box && layout ? grouped(preparations(job, box, layout), print) : []),
    [job, box, layout, print],
  );
}
