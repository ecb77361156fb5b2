import { type BoardRecord, batchQuestion } from '@spare-knot/core/api';
import { boardMarks, firstCuts } from '@spare-knot/core/cuts';
import { familyById } from '@spare-knot/core/families';
import { type LayoutJob, layoutJob } from '@spare-knot/core/job';
import type { LaidBoard } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { printLength, printMoney } from '@spare-knot/core/measure';
import {
  cutWords,
  holeSize,
  measuresOf,
  type Panel,
  panelNames,
  partName,
} from '@spare-knot/core/panels';
import { boardDrawing, drawingSvg, loadDxf, loadPdf, stacked } from '@spare-knot/core/sheets';
import { materialName } from '@spare-knot/core/wood';

import { Printer } from 'lucide-react';
import { type ReactNode, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../batch/batch-context';
import { StationActions } from '../batch/station-actions';
import { BoardDrawing } from '../board/board-drawing';
import { Length } from '../measure/length';
import { useUnits } from '../measure/units';
import { useRack } from '../rack/use-rack';
import { type FileToTake, pdfFont, TakeAway } from '../ui/take-away';

/** Paper, in millimetres. Margins that every printer can keep. */
const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
type Paper = keyof typeof PAPERS;
const MARGIN = 12;

/** Sheets to pin beside the saw: the cut list, and every board with its tape marks. */
export function Sheets() {
  const { draft, batch, sound } = useBatch();
  const rack = useRack();
  const [paper, setPaper] = useState<Paper>(() => (draft.units === 'inch' ? 'Letter' : 'A4'));
  const boards = batch.accepted ? batch.accepted.boards : rack.boards;
  const layout = batch.accepted ? batch.accepted.layout : batch.proposed;
  const made = useMemo(
    () => (boards.length > 0 ? layoutJob(batchQuestion(draft, boards)) : null),
    [draft, boards],
  );
  const size = PAPERS[paper];
  const names = useMemo(
    () =>
      sound ? panelNames(familyById(draft.plan.family), sound.box) : new Map<string, string>(),
    [sound, draft.plan.family],
  );
  const titles = useMemo(() => boardTitles(layout?.boards ?? [], boards), [layout, boards]);
  const groups = useMemo(
    () => pages(sound?.box.panels ?? [], layout?.boards ?? [], boards, size),
    [sound, layout, boards, size],
  );
  const total = groups.length;
  const { style } = useUnits();
  const job = made?.ok ? made.job : null;
  const drawn = () =>
    job
      ? (layout?.boards ?? []).map((laid, index) =>
          boardDrawing(
            job,
            laid,
            at(titles, index),
            (part) => partName(names, part),
            (ticks) => printLength(ticks, style),
          ),
        )
      : [];
  const files: FileToTake[] = [
    ...(sound
      ? [
          {
            label: 'Cut list CSV',
            what: 'The cut list',
            ending: '-cut-list.csv',
            type: 'text/csv',
            make: async () =>
              (await import('@spare-knot/core/exchange')).writeCutListCsv(
                sound.plan,
                sound.box,
                draft.boxes,
                (panel) => names.get(panel) ?? panel,
              ),
          },
        ]
      : []),
    ...(layout && job
      ? [
          {
            label: 'Boards SVG',
            what: 'The SVG of the boards',
            ending: '-boards.svg',
            type: 'image/svg+xml',
            make: () => drawingSvg(stacked(draft.name, drawn())),
          },
          {
            label: 'DXF',
            what: 'The DXF of the boards',
            ending: '-boards.dxf',
            type: 'application/dxf',
            make: async () => (await loadDxf()).drawingDxf(stacked(draft.name, drawn())),
          },
          {
            label: 'PDF 1 : 1',
            what: 'The PDF of the boards',
            ending: '-boards.pdf',
            type: 'application/pdf',
            make: async () => (await loadPdf()).trueScalePdf(drawn(), await pdfFont(), draft.name),
          },
        ]
      : []),
  ];
  return (
    <>
      <StationActions>
        <label className="flex items-center gap-2">
          <span className="label">Paper</span>
          <select
            className="field"
            value={paper}
            onChange={(event) => setPaper(event.target.value as Paper)}
          >
            <option>A4</option>
            <option>Letter</option>
          </select>
        </label>
        <button type="button" className="btn btn-main" onClick={() => window.print()}>
          <Printer size={17} aria-hidden /> Print
        </button>
      </StationActions>
      <div className="print:hidden">
        <fieldset className="mt-3 flex flex-wrap items-center justify-center gap-2">
          <legend className="sr-only">Take away</legend>
          <TakeAway title={draft.name} files={files} />
        </fieldset>
        {!layout && (
          <p className="card mt-3 p-4">
            Nothing is laid out yet, so there is only the cut list.{' '}
            <Link to="../layout" className="link">
              Lay it out
            </Link>
          </p>
        )}
      </div>
      <style>{`@page { size: ${size.width}mm ${size.height}mm; margin: 0 } @media print { html { background: #fff } }`}</style>
      <main className="mt-4 grid justify-center gap-6 print:m-0 print:block">
        {groups.map((group, index) => (
          <Sheet key={index} size={size} number={index + 1} of={total} name={draft.name}>
            {group.panels.length > 0 && (
              <CutList
                panels={group.panels}
                last={group.last}
                first={index === 0}
                names={names}
                boxes={draft.boxes}
              />
            )}
            {made?.ok &&
              group.boards.map(({ laid, index: where }) => {
                const board = boards.find((each) => each.id === laid.stock);
                return board ? (
                  <BoardSheet
                    key={where}
                    job={made.job}
                    laid={laid}
                    board={board}
                    title={at(titles, where)}
                    names={names}
                    share={board.length / longestOf(layout?.boards ?? [], boards)}
                    width={size.width - 2 * MARGIN}
                  />
                ) : null;
              })}
          </Sheet>
        ))}
      </main>
    </>
  );
}

function boardTitles(laid: readonly LaidBoard[], boards: readonly BoardRecord[]): string[] {
  const seen = new Map<string, number>();
  return laid.map(({ stock }) => {
    const board = boards.find((each) => each.id === stock);
    const number = (seen.get(stock) ?? 0) + 1;
    seen.set(stock, number);
    return board ? (board.quantity > 1 ? `${board.name} ${number}` : board.name) : 'Board';
  });
}

/** Millimetres of paper that one board takes at a scale (paper millimetres a tick): heading, drawing, marks. */
function paperHeight(laid: LaidBoard, board: BoardRecord | undefined, scale: number): number {
  if (!board) return 0;
  return (
    17.5 +
    board.width * scale +
    Math.ceil(laid.placements.length / 2) * 4.7 +
    (laid.offcuts.length > 0 ? 4.5 : 0)
  );
}

/** The longest board in use: all boards are drawn to its scale. */
const longestOf = (laid: readonly LaidBoard[], boards: readonly BoardRecord[]): number =>
  Math.max(
    1,
    ...boards
      .filter((board) => laid.some((each) => each.stock === board.id))
      .map((board) => board.length),
  );

/** Millimetres of paper that a line of the cut list takes: a row for its words, and one for each kind of hole. */
function rowHeight(panel: Panel): number {
  const kinds = new Set(
    panel.features.map((feature) =>
      feature.kind === 'groove' ? `groove ${feature.purpose}` : feature.kind,
    ),
  ).size;
  // What the fourth column holds in a line, and what stands after the cuts: the face and the wood.
  const words = Math.ceil((cutWords(panel).join('; ').length + 36) / 66);
  return 3.2 + 4.7 * (words + kinds);
}
const LIST_HEAD = 18;
const LIST_FOOT = 20;

interface PageOf {
  panels: readonly Panel[];
  last: boolean;
  boards: { laid: LaidBoard; index: number }[];
}

/** What stands on each sheet: the cut list first, over as many sheets as it needs, then the boards. */
function pages(
  panels: readonly Panel[],
  laid: readonly LaidBoard[],
  boards: readonly BoardRecord[],
  size: { width: number; height: number },
): PageOf[] {
  const room = size.height - 2 * MARGIN - 26;
  const scale = (size.width - 2 * MARGIN) / longestOf(laid, boards);
  const result: (PageOf & { left: number })[] = [];
  let rows: Panel[] = [];
  let left = room - LIST_HEAD - LIST_FOOT;
  for (const panel of panels) {
    const height = rowHeight(panel);
    if (height > left && rows.length > 0) {
      result.push({ panels: rows, last: false, boards: [], left: 0 });
      rows = [];
      left = room - LIST_HEAD - LIST_FOOT;
    }
    rows.push(panel);
    left -= height;
  }
  result.push({ panels: rows, last: true, boards: [], left });
  laid.forEach((each, index) => {
    const height = paperHeight(
      each,
      boards.find((board) => board.id === each.stock),
      scale,
    );
    if (height > at(result, -1).left)
      result.push({ panels: [], last: false, boards: [], left: room });
    const sheet = at(result, -1);
    sheet.boards.push({ laid: each, index });
    sheet.left -= height;
  });
  return result;
}

function Sheet({
  size,
  number,
  of,
  name,
  children,
}: {
  size: { width: number; height: number };
  number: number;
  of: number;
  name: string;
  children: ReactNode;
}) {
  return (
    <section
      data-sheet={number}
      className="relative break-after-page overflow-hidden border border-line bg-white text-[3.3mm] leading-snug text-black shadow-md print:border-0 print:shadow-none"
      style={{ width: `${size.width}mm`, height: `${size.height - 0.2}mm`, padding: `${MARGIN}mm` }}
    >
      <header className="flex items-baseline justify-between border-b-[0.4mm] border-black pb-[1mm]">
        <span className="font-slab text-[4.6mm] font-bold">{name}</span>
        <span>
          Spare Knot · sheet {number} of {of}
        </span>
      </header>
      {children}
      <footer className="absolute right-[12mm] bottom-[6mm] left-[12mm] flex items-end justify-between text-[2.7mm]">
        <ScaleBar />
        <span className="max-w-[110mm] text-right">
          Guards on; eyes, ears and lungs covered. Nothing shorter than about 200 mm (8 in) is held
          by hand at a powered saw: clamp it, or cut it while the board is long [common practice].
          Follow the saw’s own manual.
        </span>
      </footer>
    </section>
  );
}

const ScaleBar = () => (
  <span>
    <svg
      width="52mm"
      height="4mm"
      viewBox="0 0 52 4"
      role="img"
      aria-label="Scale bar of 50 millimetres"
    >
      <path
        d="M.2 1V3.6H50.2V1M10.2 3.6V2M20.2 3.6V2M30.2 3.6V2M40.2 3.6V2"
        fill="none"
        stroke="#000"
        strokeWidth=".3"
      />
    </svg>
    <span className="block">50 mm on paper: if not, the printer has changed the size.</span>
  </span>
);

function CutList({
  panels,
  first,
  last,
  names,
  boxes,
}: {
  panels: readonly Panel[];
  first: boolean;
  last: boolean;
  names: ReadonlyMap<string, string>;
  boxes: number;
}) {
  const { draft } = useBatch();
  return (
    <>
      <h2 className="mt-[3mm] font-slab text-[4.2mm]">
        Cut list{first ? '' : ', continued'}: {boxes} {boxes === 1 ? 'box' : 'boxes'}
      </h2>
      <table className="mt-[1.5mm] w-full border-collapse">
        <thead>
          <tr className="border-b-[0.3mm] border-black text-left [&>th]:py-[1mm] [&>th]:pr-[2mm]">
            <th>Panel</th>
            <th className="text-right">How many</th>
            <th className="text-right">Thick</th>
            <th className="text-right">Wide</th>
            <th className="text-right">Long point</th>
            <th className="text-right">Short point</th>
            <th>How it is cut, and of what</th>
          </tr>
        </thead>
        <tbody>
          {panels.map((panel) => {
            const measures = measuresOf(panel);
            const wood = draft.plan.wood[panel.role];
            return (
              <tr
                key={panel.id}
                className="border-b-[0.2mm] border-[#999] align-top [&>td]:py-[1.3mm] [&>td]:pr-[2mm]"
              >
                <td className="font-bold">{names.get(panel.id) ?? panel.id}</td>
                <td className="mono text-right">{boxes * panel.instances.length}</td>
                <td className="mono text-right">
                  <Length ticks={panel.thickness} />
                </td>
                <td className="mono text-right">
                  <Length ticks={measures.blankWidth} />
                </td>
                <td className="mono text-right font-bold">
                  <Length ticks={measures.longPoint} />
                </td>
                <td className="mono text-right">
                  {measures.shortPoint === measures.longPoint ? (
                    'same'
                  ) : (
                    <Length ticks={measures.shortPoint} />
                  )}
                </td>
                <td>
                  {[
                    ...(cutWords(panel).length === 0 ? ['square'] : cutWords(panel)),
                    ...(panel.inside === 'rough' ? ['rough face inside'] : []),
                    panel.fromLog ? 'off the log' : materialName(wood?.material ?? ''),
                  ].join('; ')}
                  <Drilling panel={panel} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {last && (
        <p className="mt-[3mm]">
          Lengths in{' '}
          {draft.units === 'inch' ? `inches, to the nearest 1/${draft.division}` : 'millimetres'}.
          Long and short point are measured along the grain, over both faces. Before the first
          tilted cut, cut two scraps at the setting: laid against each other they must make twice
          the angle. Drill before assembly, the front clamped over scrap.
        </p>
      )}
    </>
  );
}

const HOLES: Record<string, string> = {
  vent: 'vent holes',
  drain: 'drain holes',
  pivot: 'pivot',
  latch: 'latch hole, sloping down 10°',
};

/** What is drilled and grooved, measured from the panel's lower end and its near edge. */
function Drilling({ panel }: { panel: Panel }) {
  const rest = new Map<string, { kind: string; diameter: number; count: number }>();
  for (const feature of panel.features) {
    if (
      feature.kind === 'entrance' ||
      feature.kind === 'groove' ||
      feature.kind === 'mesh' ||
      feature.kind === 'pilot' ||
      feature.shape !== 'round'
    )
      continue;
    const key = `${feature.kind} ${feature.diameter}`;
    rest.set(key, {
      kind: feature.kind,
      diameter: feature.diameter,
      count: (rest.get(key)?.count ?? 0) + 1,
    });
  }
  const entrances = panel.features.flatMap((feature) =>
    feature.kind === 'entrance' ? [feature] : [],
  );
  const grooves = panel.features.flatMap((feature) => (feature.kind === 'groove' ? [feature] : []));
  const grip = grooves.filter((groove) => groove.purpose === 'grip').length;
  const pilots = panel.features.filter((feature) => feature.kind === 'pilot').length;
  return (
    <>
      {entrances.slice(0, 1).map((entrance) => {
        const size = must(holeSize(entrance), 'size');
        return (
          <span key="entrance" className="block">
            {entrances.length > 1 ? `${entrances.length} entrances ` : 'entrance '}
            <Length ticks={size.width} unit />
            {size.width !== size.height && (
              <>
                {' '}
                × <Length ticks={size.height} unit />
              </>
            )}
            {entrances.length === 1 && (
              <>
                , its centre <Length ticks={entrance.centre[0]} unit /> from the lower end
              </>
            )}
          </span>
        );
      })}
      {[...rest.values()].map(({ kind, diameter, count }) => (
        <span key={`${kind} ${diameter}`} className="block">
          {count} {HOLES[kind] ?? kind}, <Length ticks={diameter} unit />
        </span>
      ))}
      {grip > 0 && <span className="block">{grip} shallow kerfs to climb or hang by</span>}
      {grooves
        .filter((groove) => groove.purpose !== 'grip')
        .map((groove, index) => (
          <span key={index} className="block">
            {groove.purpose === 'drip'
              ? 'drip kerf'
              : groove.purpose === 'dado'
                ? 'groove'
                : 'notch'}{' '}
            <Length ticks={groove.width} /> wide, <Length ticks={groove.depth} unit /> deep,{' '}
            {groove.face}
          </span>
        ))}
      {pilots > 0 && <span className="block">{pilots} pilot holes</span>}
    </>
  );
}

function BoardSheet({
  job,
  laid,
  board,
  title,
  names,
  width,
  share,
}: {
  job: LayoutJob;
  laid: LaidBoard;
  board: BoardRecord;
  title: string;
  names: ReadonlyMap<string, string>;
  /** Millimetres of paper for the longest board, and this board's share of them. */
  width: number;
  share: number;
}) {
  const { marks, rips } = useMemo(() => boardMarks(job, laid), [job, laid]);
  const { crosscutAt, jigsaw } = useMemo(() => firstCuts(job, laid), [job, laid]);
  // The drawing is made at four units a millimetre of paper, so that its lettering keeps its size.
  const scale = (width * share * 4 - 4) / board.length;
  return (
    <article className="mt-[4mm]">
      <p>
        <strong className="text-[3.8mm]">{title}</strong>: <Length ticks={board.thickness} /> ×{' '}
        <Length ticks={board.width} /> × <Length ticks={board.length} unit />,{' '}
        {materialName(board.material)}, face A up ({board.faceA})
        {board.price !== null && `, ${printMoney(board.price)}`}
        {rips.length > 0 && (
          <>
            {crosscutAt !== null && (
              <>
                {' '}
                · first crosscut at <Length ticks={crosscutAt} />, so that the offcut keeps its
                width
              </>
            )}{' '}
            · {crosscutAt !== null && 'then '}rip to{' '}
            {rips.map((rip, index) => (
              <span key={rip}>
                {index > 0 && ', '}
                <Length ticks={rip} />
              </span>
            ))}
          </>
        )}
      </p>
      {jigsaw.length > 0 && (
        <p className="text-[3mm]">
          No cut from edge to edge parts{' '}
          {jigsaw.map((id) => partName(names, id).toLowerCase()).join(', ')}: saw along their lines
          with a jigsaw, the board clamped.
        </p>
      )}
      <div className="mt-[1mm] [&_svg]:h-auto [&_svg]:w-full" style={{ width: `${share * 100}%` }}>
        <BoardDrawing
          board={board}
          scale={scale}
          laid={{ job, board: laid }}
          names={names}
          tape
          label={title}
        />
      </div>
      <ol className="mt-[1mm] grid grid-cols-2 gap-x-[8mm] text-[3mm]">
        {marks.map((mark, index) => (
          <li
            key={`${mark.part}/${mark.copy}`}
            className="flex justify-between border-b-[0.15mm] border-[#aaa]"
          >
            <span>
              {index + 1}. {partName(names, mark.part)}{' '}
              <span className="text-[#444]">
                {mark.row === 'far' ? '(not on the near edge)' : ''}
              </span>
            </span>
            <span className="mono">
              ends at{' '}
              <strong>
                <Length ticks={mark.near} />
              </strong>
              {Math.abs(mark.near - mark.far) > 160 && (
                <>
                  {' '}
                  near,{' '}
                  <strong>
                    <Length ticks={mark.far} />
                  </strong>{' '}
                  far edge
                </>
              )}
            </span>
          </li>
        ))}
      </ol>
      {laid.offcuts.length > 0 && (
        <p className="text-[3mm]">
          Keep:{' '}
          {laid.offcuts.map((offcut, index) => (
            <span key={`${offcut.x},${offcut.y}`}>
              {index > 0 && '; '}
              <Length ticks={offcut.length} /> × <Length ticks={offcut.width} unit />
            </span>
          ))}
        </p>
      )}
    </article>
  );
}
