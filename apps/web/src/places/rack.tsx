import { Download, Pencil, Trash2, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { client } from '../api/client';
import { useWidth } from '../board/use-width';
import { BoardEditor } from '../rack/board-editor';
import { BoardRow } from '../rack/board-row';
import { QuickEntry } from '../rack/quick-entry';
import { rackScale } from '../rack/rack-scale';
import { useRack } from '../rack/use-rack';
import { HeaderEnd } from '../ui/header-end';
import { useNotice } from '../ui/notice';
import { Trouble } from '../ui/trouble';

/** All wood there is. */
export function Rack() {
  const rack = useRack();
  const { query, boards } = rack;
  const [open, setOpen] = useState<string | null>(null);
  const [ref, width] = useWidth<HTMLUListElement>();
  const scaleOf = rackScale(boards, width - 40);
  const pieces = boards.reduce((sum, board) => sum + board.quantity, 0);
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6">
      <HeaderEnd />
      <div className="flex items-end justify-between">
        <div>
          <h1 className="text-3xl">Rack</h1>
          <p className="text-soft">
            {query.data
              ? `${pieces} ${pieces === 1 ? 'board' : 'boards'} and offcuts, drawn to one scale (sheets smaller), face A up.`
              : 'Looking at the rack…'}
          </p>
        </div>
        <CsvButtons rack={rack} />
      </div>
      <div className="mt-4">
        <QuickEntry onAdd={rack.add} />
      </div>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      {query.data && boards.length === 0 && (
        <div className="card mt-6 p-8 text-center">
          <h2 className="text-xl">The rack is empty</h2>
          <p className="mx-auto mt-2 max-w-lg">
            Measure a board with a tape, not by what it was sold as, and type it above as you would
            say it. Offcuts count too: they are spent before boards are bought.
          </p>
        </div>
      )}
      <ul ref={ref} className="mt-4 grid gap-3">
        {width > 0 &&
          boards.map((board) => (
            <li key={board.id} className="card p-3" data-board={board.name}>
              <BoardRow
                board={board}
                scale={scaleOf(board)}
                onAnswer={(change) => void rack.change(board, change, 'Confirmed')}
              >
                <button
                  type="button"
                  className="btn btn-quiet"
                  aria-expanded={open === board.id}
                  onClick={() => setOpen(open === board.id ? null : board.id)}
                >
                  <Pencil size={16} aria-hidden />{' '}
                  {open === board.id ? 'Close' : 'Measure and mark'}
                </button>
                <button
                  type="button"
                  className="btn btn-quiet"
                  aria-label={`Take ${board.name} off the rack`}
                  onClick={() => void rack.remove(board)}
                >
                  <Trash2 size={16} aria-hidden />
                </button>
              </BoardRow>
              {open === board.id && (
                <BoardEditor
                  key={`${board.id} ${board.version}`}
                  board={board}
                  onChange={(change) => void rack.change(board, change)}
                  onDefects={async (defects, what) => {
                    const marked = await rack.markDefects(board, defects, what);
                    if (marked) setOpen(marked.id);
                  }}
                />
              )}
            </li>
          ))}
      </ul>
    </main>
  );
}

function CsvButtons({ rack }: { rack: ReturnType<typeof useRack> }) {
  const input = useRef<HTMLInputElement>(null);
  const [problems, setProblems] = useState<readonly { line: number; message: string }[]>([]);
  const say = useNotice();
  const read = async (file: File) => {
    const report = await rack.attempt(async () => client.importCsv(await file.text()));
    if (!report) return;
    setProblems(report.problems);
    say(
      `${report.boards.length} ${report.boards.length === 1 ? 'line' : 'lines'} of ${file.name} put on the rack${report.problems.length > 0 ? `; ${report.problems.length} could not be read` : ''}.`,
      {
        ...(report.boards.length > 0 && {
          undo: () =>
            void rack.attempt(async () =>
              Promise.all(
                report.boards.map((board) => client.removeBoard(board.id, board.version)),
              ),
            ),
        }),
      },
    );
  };
  return (
    <div className="text-right">
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={() => input.current?.click()}>
          <Upload size={16} aria-hidden /> Read CSV
        </button>
        <a className="btn" href="/api/rack/csv" download="rack.csv">
          <Download size={16} aria-hidden /> Save as CSV
        </a>
        <input
          ref={input}
          type="file"
          accept=".csv,text/csv"
          aria-label="CSV file of boards"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void read(file);
          }}
        />
      </div>
      {problems.length > 0 && (
        <div
          role="alert"
          className="mt-2 rounded-md border border-danger bg-danger-pale p-3 text-left text-sm"
        >
          <p className="font-semibold">These lines were left out; the others are on the rack:</p>
          <ul>
            {problems.map((problem) => (
              <li key={problem.line}>
                line {problem.line}: {problem.message}
              </li>
            ))}
          </ul>
          <button type="button" className="link" onClick={() => setProblems([])}>
            Good
          </button>
        </div>
      )}
    </div>
  );
}
