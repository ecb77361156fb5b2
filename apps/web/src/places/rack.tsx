import type { BoardRecord } from '@spare-knot/core/api';
import { Pencil, Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { client } from '../api/client';
import { useWidth } from '../board/use-width';
import { BoardEditor } from '../rack/board-editor';
import { BoardRow } from '../rack/board-row';
import { findBoards, NO_WISH } from '../rack/find-boards';
import { QuickEntry } from '../rack/quick-entry';
import { rackScale } from '../rack/rack-scale';
import { RackTools } from '../rack/rack-tools';
import { useRack } from '../rack/use-rack';
import { CsvButtons } from '../ui/csv-buttons';
import { HeaderEnd } from '../ui/header-end';
import { LongList } from '../ui/long-list';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';

/** A board on the rack, to be measured, marked and taken off. */
function RackRow({
  board,
  scale,
  rack,
  isOpen,
  onOpen,
}: {
  board: BoardRecord;
  scale: number;
  rack: ReturnType<typeof useRack>;
  isOpen: boolean;
  onOpen: (id: string | null) => void;
}) {
  return (
    <div className="card p-3" data-board={board.name}>
      <BoardRow
        board={board}
        scale={scale}
        onAnswer={(change) => void rack.change(board, change, 'Confirmed')}
      >
        <button
          type="button"
          className="btn btn-quiet"
          aria-expanded={isOpen}
          onClick={() => onOpen(isOpen ? null : board.id)}
        >
          <Pencil size={16} aria-hidden /> {isOpen ? 'Close' : 'Measure and mark'}
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
      {isOpen && (
        <BoardEditor
          key={`${board.id} ${board.version}`}
          board={board}
          onChange={(change) => void rack.change(board, change)}
          onDefects={async (defects, what) => {
            const marked = await rack.markDefects(board, defects, what);
            if (marked) onOpen(marked.id);
          }}
        />
      )}
    </div>
  );
}

/** What stands round the drawing of a board, in pixels. */
const HEADING = 70;

/** All wood there is. */
export function Rack() {
  const rack = useRack();
  const { query, boards } = rack;
  const [open, setOpen] = useState<string | null>(null);
  const [ref, width] = useWidth<HTMLDivElement>();
  const [wish, setWish] = useState(NO_WISH);
  const found = useMemo(() => findBoards(boards, wish), [boards, wish]);
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
        <CsvButtons
          href="/api/rack/csv"
          download="rack.csv"
          of="boards"
          goesTo="on the rack"
          read={async (csv) => {
            const report = await rack.attempt(() => client.importCsv(csv));
            return (
              report && {
                kept: report.boards.length,
                problems: report.problems,
                undo: () =>
                  void rack.attempt(() =>
                    Promise.all(
                      report.boards.map(({ id, version }) => client.removeBoard(id, version)),
                    ),
                  ),
              }
            );
          }}
        />
      </div>
      <div className="mt-4">
        <QuickEntry onAdd={rack.add} />
      </div>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list="rack" />
      {query.data && boards.length === 0 && (
        <div className="card mt-6 p-8 text-center">
          <h2 className="text-xl">The rack is empty</h2>
          <p className="mx-auto mt-2 max-w-lg">
            Measure a board with a tape, not by what it was sold as, and type it above as you would
            say it. Offcuts count too: they are spent before boards are bought.
          </p>
        </div>
      )}
      {boards.length > 1 && (
        <RackTools boards={boards} wish={wish} found={found.length} onWish={setWish} />
      )}
      <div ref={ref} className="mt-4">
        {width > 0 && (
          <LongList
            items={found}
            keyOf={({ id }) => id}
            heightOf={(board) => HEADING + board.width * scaleOf(board)}
            row={(board) => (
              <RackRow
                board={board}
                scale={scaleOf(board)}
                rack={rack}
                isOpen={open === board.id}
                onOpen={setOpen}
              />
            )}
          />
        )}
      </div>
    </main>
  );
}
