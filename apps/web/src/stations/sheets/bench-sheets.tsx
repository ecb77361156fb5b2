import { faceWords, sidesOf } from '@spare-knot/core/building';
import { must } from '@spare-knot/core/lists';
import { type LengthStyle, printLengthUnit } from '@spare-knot/core/measure';
import { holeTemplate } from '@spare-knot/core/sheets';
import { useMemo, useState } from 'react';
import { useBatch, useBatchName } from '../../batch/batch-context';
import { useUnits } from '../../measure/units';
import { drawingFile, type FileToTake, TakeAway } from '../../ui/take-away';
import { useBatchBuild } from '../build/use-batch-build';
import { useBitStyle } from '../build/use-bit-style';
import type { Built } from '../build/use-build';
import { kitPages, sidePages, stepPages } from './bench-pages';
import { useHeights } from './heights';
import { KitPart } from './kit-sheet';
import { LabelSheets } from './label-sheets';
import { LetterSheets } from './letter-sheets';
import { Measured } from './measured';
import { type Heights, PAPERS, type Paper, type PaperSize } from './paper';
import { Sheet } from './sheet';
import { SideOnPaper } from './side-on-paper';
import { StepOnPaper } from './step-on-paper';

const WHAT = [
  ['drilling', 'Drilling chart'],
  ['assembly', 'Assembly'],
  ['letters', 'Letters on the pieces'],
  ['kits', 'Kits'],
  ['labels', 'Labels'],
] as const;
type What = (typeof WHAT)[number][0];
/** Boxes that are mended hang already, and have their labels. */
const NEW_BOXES: ReadonlySet<What> = new Set(['kits', 'labels']);

interface Props {
  built: Built;
  nameOf: (panel: string) => string;
  size: PaperSize;
  heights: Heights | null;
}

function Drilling({ built, nameOf, size, heights }: Props) {
  const name = useBatchName();
  const pages = useMemo(
    () => sidePages(sidesOf(built.build.holes, built.box.panels), size, heights),
    [built, size, heights],
  );
  return pages.map((parts, index) => (
    <Sheet key={index} size={size} number={index + 1} of={pages.length} name={name} at="bench">
      <Measured name="sides title">
        <h2 className="mt-[3mm] font-slab text-[4.2mm]">
          Holes of one box{index > 0 && ', continued'}: distances from the real edges, as you mark
          them
        </h2>
      </Measured>
      {parts.map((part) => (
        <SideOnPaper
          key={`${part.side.key} ${part.from}`}
          built={built}
          nameOf={nameOf}
          part={part}
        />
      ))}
    </Sheet>
  ));
}

/** Sheets of the assembly, the first of them after some others. */
function Steps({
  built,
  nameOf,
  size,
  pages,
  before,
  name,
}: Omit<Props, 'heights'> & { pages: readonly number[][]; before: number; name: string }) {
  const of = before + pages.length;
  return pages.map((steps, index) => (
    <Sheet key={index} size={size} number={before + index + 1} of={of} name={name} at="bench">
      <Measured name="steps title">
        <h2 className="mt-[3mm] font-slab text-[4.2mm]">
          Putting it together{index > 0 && ', continued'}
        </h2>
      </Measured>
      {steps.map((step) => (
        <StepOnPaper key={step} built={built} nameOf={nameOf} step={step} />
      ))}
    </Sheet>
  ));
}

/** So many kits, or one box that is put together where it was sawn. */
function Assembly({ built, nameOf, size, heights, kits }: Props & { kits: number | null }) {
  const name = useBatchName();
  const pages = useMemo(() => stepPages(built.build, size, heights), [built, size, heights]);
  const steps = { built, nameOf, size, pages };
  const fronts = useMemo(() => kitPages(built.build, size, heights), [built, size, heights]);
  if (kits === null) return <Steps {...steps} before={0} name={name} />;
  return Array.from({ length: kits }, (_unused, index) => {
    const kit = `${name}, kit ${index + 1}`;
    const sheet = { size, of: fronts.length + pages.length, name: kit, at: 'bench' } as const;
    return (
      <div key={index} className="contents">
        {fronts.map((parts, front) => (
          <Sheet key={front} {...sheet} number={front + 1}>
            {parts.map((part) => (
              <KitPart
                key={part}
                part={part}
                built={built}
                nameOf={nameOf}
                number={index + 1}
                kits={kits}
              />
            ))}
          </Sheet>
        ))}
        <Steps {...steps} before={fronts.length} name={kit} />
      </div>
    );
  });
}

/** The holes as a table, and the build plan as it is published. */
const filesOf = (
  { built: { build, box }, nameOf }: Pick<Props, 'built' | 'nameOf'>,
  setting: { title: string; paper: Paper },
  style: LengthStyle,
): FileToTake[] => [
  {
    label: 'Holes CSV',
    what: 'The table of holes',
    ending: '-holes.csv',
    type: 'text/csv',
    make: async () => {
      const { writeHolesCsv } = await import('@spare-knot/core/exchange');
      return writeHolesCsv(build.holes, box.panels, nameOf);
    },
  },
  drawingFile(
    'true-scale-pdf',
    () =>
      sidesOf(build.holes, box.panels).map((side) => {
        const panel = must(
          box.panels.find(({ id }) => id === side.panel),
          side.panel,
        );
        const title = `${nameOf(panel.id)}, ${faceWords(side.face, panel)} up`;
        return holeTemplate(
          { panel, face: side.face, holes: side.holes, measured: [] },
          title,
          (ticks) => printLengthUnit(ticks, style),
        );
      }),
    setting,
    { label: 'Holes PDF 1 : 1', what: 'The templates of the holes', named: '-holes' },
  ),
  {
    label: 'Build plan JSON',
    what: 'The build plan',
    ending: '.build.json',
    type: 'application/json',
    make: async () => {
      const { writeBuildPlan } = await import('@spare-knot/core/exchange');
      return JSON.stringify(writeBuildPlan(build, box), null, 2);
    },
  },
];

const MOST_KITS = 40;

/** Sheets for the bench: where to bore, how it goes together, and kits that others put together. */
export function BenchSheets({ paper }: { paper: Paper }) {
  const size = PAPERS[paper];
  const bits = useBitStyle();
  const { style } = useUnits();
  const { draft, batch } = useBatch();
  const { answer, trouble, nameOf } = useBatchBuild();
  const name = useBatchName();
  const [what, setWhat] = useState<What>('assembly');
  const [kits, setKits] = useState(Math.min(draft.boxes, MOST_KITS));
  const { heights, sheets } = useHeights(answer, nameOf, paper, what, kits, name, style);
  return (
    <>
      <div className="mt-3 flex flex-wrap items-end justify-center gap-2 print:hidden">
        {WHAT.filter(([key]) => !batch.mends || !NEW_BOXES.has(key)).map(([key, label]) => (
          <button
            key={key}
            type="button"
            aria-pressed={what === key}
            className={`btn ${what === key ? 'btn-main' : ''}`}
            onClick={() => setWhat(key)}
          >
            {label}
          </button>
        ))}
        {what === 'kits' && (
          <p className="basis-full text-center">
            Before you pack: pencil each piece’s letters on it, as{' '}
            <button type="button" className="link" onClick={() => setWhat('letters')}>
              the sheet of letters
            </button>{' '}
            shows, and “inside” on its inside.
          </p>
        )}
        {what === 'kits' && (
          <label className="flex items-center gap-2">
            <span className="label">Kits in this print</span>
            <input
              type="number"
              className="field w-20"
              min={1}
              max={MOST_KITS}
              value={kits}
              onChange={(event) =>
                setKits(
                  Math.max(1, Math.min(MOST_KITS, Math.round(Number(event.target.value)) || 1)),
                )
              }
            />
          </label>
        )}
        {answer?.ok && (
          <TakeAway
            title={name}
            files={filesOf({ built: answer, nameOf }, { title: name, paper }, bits)}
          />
        )}
      </div>
      {trouble && (
        <p role="alert" className="mt-3 text-center text-danger">
          {trouble}
        </p>
      )}
      <div
        ref={sheets}
        className="mt-4 grid justify-center gap-6 max-md:justify-start max-md:overflow-x-auto print:m-0 print:block print:overflow-visible"
      >
        {!answer && <p className="p-8">Working out the build plan…</p>}
        {answer && !answer.ok && <p className="card p-6">This plan gives no box to build.</p>}
        {answer?.ok && what === 'drilling' && (
          <Drilling built={answer} nameOf={nameOf} size={size} heights={heights} />
        )}
        {answer?.ok && (what === 'assembly' || what === 'kits') && (
          <Assembly
            built={answer}
            nameOf={nameOf}
            size={size}
            heights={heights}
            kits={what === 'kits' ? kits : null}
          />
        )}
        {what === 'labels' && <LabelSheets paper={paper} />}
        {answer?.ok && what === 'letters' && (
          <LetterSheets built={answer} nameOf={nameOf} size={size} heights={heights} />
        )}
      </div>
    </>
  );
}
