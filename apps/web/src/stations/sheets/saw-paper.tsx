import type { LayoutJob } from '@spare-knot/core/job';
import type { Panel } from '@spare-knot/core/panels';
import { memo, type ReactNode, useMemo } from 'react';
import { useBatch, useBatchName } from '../../batch/batch-context';
import { useUnits } from '../../measure/units';
import { BoardSheet } from './board-sheet';
import { CutList } from './cut-list';
import { useHeights } from './heights';
import { type BoardOnPaper, longestOf, MARGIN, PAPERS, type Paper, sheetsOf } from './paper';
import { SawSheet } from './saw-sheet';
import { type StepOnPaper, sawSheets } from './saw-steps';
import { Sheet } from './sheet';

type Names = ReadonlyMap<string, string>;

/** What stands on a sheet is drawn anew only when it changes, not when the heading does. */
const BoardsOnSheet = memo(function BoardsOnSheet({
  job,
  boards,
  longest,
  width,
  names,
}: {
  job: LayoutJob;
  boards: readonly BoardOnPaper[];
  longest: number;
  width: number;
  names: Names;
}) {
  return boards.map((of) => (
    <BoardSheet
      key={`${of.laid.stock}/${of.laid.piece}`}
      job={job}
      of={of}
      names={names}
      share={of.board.length / longest}
      width={width}
    />
  ));
});

interface Props {
  paper: Paper;
  job: LayoutJob | null;
  names: Names;
  panels: readonly Panel[];
  copiesOf: (panel: Panel) => number;
  boards: readonly BoardOnPaper[];
  /** The saw's steps; null where there is no plan for them. */
  groups: readonly StepOnPaper[] | null;
  /** What is done or told before the first of them. */
  first: readonly string[];
  isOfLayout: boolean;
  /** What is to be bought, on a sheet of its own. */
  children: ReactNode;
}

/** What stands on which sheet, when it has been measured. */
function usePages({ paper, names, panels, copiesOf, boards, groups, first }: Props) {
  const size = PAPERS[paper];
  const name = useBatchName();
  const { style } = useUnits();
  const drawnFrom = [paper, names, panels, copiesOf, boards, groups, first, name, style];
  const { heights, sheets } = useHeights(...drawnFrom);
  const pages = useMemo(
    () => sheetsOf(panels, boards, size, heights),
    [panels, boards, size, heights],
  );
  const steps = useMemo(
    () => (groups ? sawSheets(groups, size, heights) : []),
    [groups, size, heights],
  );
  return { pages, steps, sheets };
}

/** The sheets beside the saw: what to buy, the cut list, every board, and the saw's steps. */
export function SawPaper(props: Props) {
  const { paper, job, names, copiesOf, boards, first, isOfLayout, children } = props;
  const { draft } = useBatch();
  const { pages, steps, sheets } = usePages(props);
  const size = PAPERS[paper];
  const buys = children ? 1 : 0;
  const sheet = { size, of: buys + pages.length + steps.length, name: useBatchName() };
  return (
    <div
      ref={sheets}
      className="mt-4 grid justify-center gap-6 max-md:justify-start max-md:overflow-x-auto print:m-0 print:block print:overflow-visible"
    >
      {children && (
        <Sheet {...sheet} number={1}>
          {children}
        </Sheet>
      )}
      {pages.map(({ lines, drawings, isFirst, isLast }, index) => (
        <Sheet key={index} {...sheet} number={buys + index + 1}>
          {lines.length > 0 && (
            <CutList
              panels={lines}
              last={isLast}
              first={isFirst}
              names={names}
              boxes={draft.boxes}
              copiesOf={copiesOf}
            />
          )}
          {job && (
            <BoardsOnSheet
              job={job}
              boards={drawings}
              longest={longestOf(boards)}
              width={size.width - 2 * MARGIN}
              names={names}
            />
          )}
        </Sheet>
      ))}
      {steps.map((own, index) => (
        <Sheet key={index} {...sheet} number={buys + pages.length + index + 1}>
          <SawSheet steps={own} first={index === 0 ? first : null} isOfLayout={isOfLayout} />
        </Sheet>
      ))}
    </div>
  );
}
