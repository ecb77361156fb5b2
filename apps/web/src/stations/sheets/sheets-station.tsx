import type { SawingRecord } from '@spare-knot/core/api';
import { type NamedPlan, seenAtSaw, sizeOf } from '@spare-knot/core/cuts';
import { familyById } from '@spare-knot/core/families';
import { type LayoutJob, panelsAsSawn, sawnCopies } from '@spare-knot/core/job';
import { type Layout, shoppingList } from '@spare-knot/core/layout';
import { at } from '@spare-knot/core/lists';
import {
  type LengthStyle,
  printLength,
  printLengthUnit,
  type Ticks,
} from '@spare-knot/core/measure';
import { panelNames, partName } from '@spare-knot/core/panels';
import { boardDrawing } from '@spare-knot/core/sheets';

import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useBatch, useBatchName, useReady } from '../../batch/batch-context';
import { StationActions } from '../../batch/station-actions';
import { useLaidOut, usePlannedCuts } from '../../batch/use-laid-out';
import { useSawing } from '../../batch/use-sawing';
import { useUnits } from '../../measure/units';
import { drawingFile, type FileToTake, TakeAway } from '../../ui/take-away';
import { Trouble } from '../../ui/trouble';
import { usePreparing } from '../saw/use-preparing';
import { BenchSheets } from './bench-sheets';
import { type BoardOnPaper, boardsOnPaper, PAPERS, type Paper, withCuts } from './paper';
import { SawPaper } from './saw-paper';
import { groupsOf, type Reading } from './saw-steps';
import { ShoppingList } from './shopping-list';

type Names = ReadonlyMap<string, string>;
const NO_NAMES: Names = new Map();

/** What is on the sheets: names of panels, the job, what is to be bought, and the boards of the layout. */
function useSheets() {
  const { draft, sound } = useBatch();
  const laidOut = useLaidOut();
  const { layout, wood } = laidOut;
  const { all, offers } = wood;
  const { family } = draft.plan;
  const names = useMemo(
    () => (sound ? panelNames(familyById(family), sound.box) : NO_NAMES),
    [sound, family],
  );
  const onPaper = useMemo(() => boardsOnPaper(layout?.boards ?? [], all), [layout, all]);
  const toBuy = useMemo(() => (layout ? shoppingList(layout, offers) : []), [layout, offers]);
  return { ...laidOut, names, onPaper, toBuy, offers };
}

/** The cut list as a file. */
function useCutListFile(names: Names): FileToTake[] {
  const { draft, sound } = useBatch();
  const ready = useReady();
  if (!sound) return [];
  return [
    {
      label: 'Cut list CSV',
      what: 'The cut list',
      ending: '-cut-list.csv',
      type: 'text/csv',
      make: async () => {
        const { writeCutListCsv } = await import('@spare-knot/core/exchange');
        const nameOf = (panel: string) => partName(names, panel);
        return writeCutListCsv(sound.plan, sound.box, draft.boxes, nameOf, ready);
      },
    },
  ];
}

/** A cut plan, and the thickness of its boards. */
interface CutsOnPaper {
  plan: NamedPlan;
  stock: readonly { id: string; thickness: Ticks }[];
  /** What its boards are called, where they are not those of the layout any more. */
  pieces: readonly string[] | null;
}

/** What lies there to be sawn by a plan that was made in the middle of it: each piece by its board and its size. */
const piecesOf = ({ plan, stock }: SawingRecord, style: LengthStyle): string[] =>
  plan.boards.flatMap(({ stock: id, pieces }, index) => {
    const [piece] = pieces;
    const name = stock.find((each) => each.id === id)?.name ?? 'a board';
    if (!piece) return [];
    const [long, wide] = [sizeOf(piece, 'along'), sizeOf(piece, 'across')];
    return [
      `board ${index + 1} is ${name}, ${printLength(long, style)} × ${printLengthUnit(wide, style)}`,
    ];
  });

/** How the boards are sawn: as sawing began with them, or as it would. */
function useCutPlan(job: LayoutJob | null, layout: Layout | null): CutsOnPaper | null {
  const { batch } = useBatch();
  const { data } = useSawing(batch.id, batch.accepted !== null);
  const { style } = useUnits();
  const plan = usePlannedCuts({ job, layout });
  return useMemo(() => {
    if (data) return { ...data, pieces: data.round > 0 ? piecesOf(data, style) : null };
    return job && plan ? { plan, stock: job.stock, pieces: null } : null;
  }, [data, job, plan, style]);
}

/** Panels by their names, and marks where a cut has no stop. */
const readingOf = (
  { plan, stock }: CutsOnPaper,
  { saw }: Pick<LayoutJob, 'saw'>,
  names: Names,
): Reading => ({
  nameOf: ({ part }) => partName(names, part),
  seen: (hand) => {
    const board = at(plan.boards, hand.board);
    const { tool } = at(plan.steps, hand.step);
    const thickness = stock.find(({ id }) => id === board.stock)?.thickness ?? 0;
    return seenAtSaw(board, hand, { tool, kerf: saw.kerf, thickness });
  },
});

/** The cut plan as files. */
const cutPlanFiles = (plan: NamedPlan | null): FileToTake[] =>
  plan
    ? [
        {
          label: 'Saw steps CSV',
          what: 'The table of cuts',
          ending: '-cuts.csv',
          type: 'text/csv',
          make: async () => (await import('@spare-knot/core/exchange')).writeCutPlanCsv(plan),
        },
        {
          label: 'Saw steps JSON',
          what: 'The cut plan',
          ending: '.cuts.json',
          type: 'application/json',
          make: async () =>
            JSON.stringify((await import('@spare-knot/core/exchange')).writeCutPlan(plan), null, 2),
        },
      ]
    : [];

/** The boards as files in true scale. */
function useBoardFiles(
  job: LayoutJob | null,
  onPaper: readonly BoardOnPaper[],
  names: Names,
  paper: Paper,
): FileToTake[] {
  const name = useBatchName();
  const { style } = useUnits();
  if (!job || onPaper.length === 0) return [];
  const drawn = () =>
    onPaper.map(({ laid, title }) =>
      boardDrawing(
        job,
        laid,
        title,
        (part) => partName(names, part),
        (ticks) => printLength(ticks, style),
      ),
    );
  const setting = { title: name, paper };
  const named = '-boards';
  return [
    drawingFile('svg', drawn, setting, {
      label: 'Boards SVG',
      what: 'The SVG of the boards',
      named,
    }),
    drawingFile('dxf', drawn, setting, { what: 'The DXF of the boards', named }),
    drawingFile('true-scale-pdf', drawn, setting, { what: 'The PDF of the boards', named }),
  ];
}

function Actions({ paper, onPaper }: { paper: Paper; onPaper: (paper: Paper) => void }) {
  return (
    <StationActions>
      <label className="flex items-center gap-2">
        <span className="label">Paper</span>
        <select
          className="field"
          value={paper}
          onChange={(event) => onPaper(event.target.value as Paper)}
        >
          {Object.keys(PAPERS).map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <button type="button" className="btn btn-main" onClick={() => window.print()}>
        <Printer size={17} aria-hidden /> Print
      </button>
    </StationActions>
  );
}

const NOTHING_SAWN = { panels: [], copiesOf: () => 0 };

/** The panels that are sawn for the batch, and how many of each: what comes out of the bin is not. */
function useSawnPanels() {
  const { draft, sound } = useBatch();
  const ready = useReady();
  const { boxes } = draft;
  return useMemo(() => {
    if (!sound) return NOTHING_SAWN;
    const copiesOf = sawnCopies(sound.plan, sound.box, boxes, ready);
    const panels = panelsAsSawn(sound.plan, sound.box.panels);
    return { panels: panels.filter((panel) => copiesOf(panel) > 0), copiesOf };
  }, [sound, boxes, ready]);
}

/** Why there are no boards on the sheets. */
function OnlyCutList({ isOutOfDate }: { isOutOfDate: boolean }) {
  return (
    <p className="card mt-3 p-4">
      {isOutOfDate
        ? 'The box or the wood has changed since it was laid out, so there is only the cut list.'
        : 'Nothing is laid out yet, so there is only the cut list.'}{' '}
      <Link to="../layout" className="link">
        Lay it out
      </Link>
    </p>
  );
}

/** Sheets to pin beside the saw: the cut list, and every board with its tape marks. */
function SawSheets({ paper }: { paper: Paper }) {
  const { draft, sound } = useBatch();
  const name = useBatchName();
  const { job, names, onPaper: laid, layout, isOutOfDate, wood, toBuy, offers } = useSheets();
  const { panels, copiesOf } = useSawnPanels();
  const cuts = useCutPlan(job, layout);
  const plan = cuts?.plan ?? null;
  const onPaper = useMemo(
    () => (plan && job && !cuts?.pieces ? withCuts(laid, plan, job) : laid),
    [laid, plan, job, cuts],
  );
  const before = usePreparing(job, sound?.box ?? null, layout);
  const groups = useMemo(
    () => (cuts && job ? groupsOf(cuts.plan, readingOf(cuts, job, names)) : null),
    [cuts, job, names],
  );
  const files = [
    ...useCutListFile(names),
    ...useBoardFiles(job, onPaper, names, paper),
    ...cutPlanFiles(plan),
  ];
  return (
    <>
      <div className="print:hidden">
        <fieldset className="mt-3 flex flex-wrap items-center justify-center gap-2">
          <legend className="sr-only">Take away</legend>
          <TakeAway title={name} files={files} />
        </fieldset>
        {wood.error && <Trouble error={wood.error} retry={wood.retry} />}
        {!layout && wood.isKnown && <OnlyCutList isOutOfDate={isOutOfDate} />}
      </div>
      <SawPaper
        paper={paper}
        job={job}
        names={names}
        panels={panels}
        copiesOf={copiesOf}
        boards={onPaper}
        groups={groups}
        first={cuts?.pieces ?? before}
        isOfLayout={!cuts?.pieces}
      >
        {layout && toBuy.length > 0 && (
          <ShoppingList list={toBuy} offers={offers} layout={layout} boxes={draft.boxes} />
        )}
      </SawPaper>
    </>
  );
}

const FOR = [
  ['saw', 'For the saw'],
  ['bench', 'For the bench'],
] as const;

/** What the stations print: for the saw, and for the bench. */
export function SheetsStation() {
  const { draft } = useBatch();
  const [params, setParams] = useSearchParams();
  const [paper, setPaper] = useState<Paper>(() => (draft.units === 'inch' ? 'Letter' : 'A4'));
  const size = PAPERS[paper];
  const atBench = params.get('for') === 'bench';
  return (
    <>
      <Actions paper={paper} onPaper={setPaper} />
      <div className="mt-3 flex justify-center gap-2 print:hidden">
        {FOR.map(([key, label]) => (
          <button
            key={key}
            type="button"
            aria-pressed={atBench === (key === 'bench')}
            className={`btn ${atBench === (key === 'bench') ? 'btn-main' : ''}`}
            onClick={() => setParams(key === 'bench' ? { for: key } : {}, { replace: true })}
          >
            {label}
          </button>
        ))}
      </div>
      <style>{`@page { size: ${size.width}mm ${size.height}mm; margin: 0 } @media print { html { background: #fff } }`}</style>
      {atBench ? <BenchSheets paper={paper} /> : <SawSheets paper={paper} />}
    </>
  );
}
