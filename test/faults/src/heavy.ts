import { type Asked, ask, json } from './ask.js';
import type { Outcome } from './outcome.js';
import { Shop, written } from './shop.js';

/** A body as large as the server reads, or a file as long as nobody has. */
interface Load {
  readonly name: string;
  readonly path: string;
  readonly method?: string;
  body(): unknown;
}

/** Bytes that the server reads of JSON at most. */
const MOST = 4_000_000;
/** Milliseconds that one may wait because of another. */
const LONGEST_WAIT = 1000;

/** A list as long as the body may be. */
const filled = (each: unknown): unknown[] => {
  const size = JSON.stringify(each).length + 1;
  return Array.from({ length: Math.floor((MOST - 2000) / size) }, () => each);
};
const board = {
  name: 'Picket',
  quantity: 1,
  material: 'western-red-cedar',
  thickness: 16,
  width: 140,
  length: 1829,
  price: 3.4,
};
const lines = (header: string, line: (index: number) => string, count: number) => ({
  csv: [header, ...Array.from({ length: count }, (_, index) => line(index))].join('\r\n'),
});
const STOCK = 'name,quantity,material,thickness,width,length';
const stockLine = () => 'Picket,1,western-red-cedar,16,140,1829';

/** What is heavy wherever it is sent. */
const LOADS: readonly Load[] = [
  { name: 'wrong boards', path: '/api/rack', body: () => ({ boards: filled(1) }) },
  { name: 'empty boards', path: '/api/rack', body: () => ({ boards: filled({}) }) },
  { name: 'boards', path: '/api/rack', body: () => ({ boards: filled(board) }) },
  {
    name: 'defects',
    path: '/api/rack',
    body: () => ({
      boards: [{ ...board, defects: filled({ kind: 'knot-sound', circle: [1, 1, -1] }) }],
    }),
  },
  {
    name: 'boards full of defects',
    path: '/api/rack',
    body: () => {
      const defects = Array.from({ length: 2000 }, () => ({
        kind: 'knot-sound',
        circle: [900, 70, 5],
      }));
      return { boards: Array.from({ length: 40 }, () => ({ ...board, defects })) };
    },
  },
  { name: 'wrong batch', path: '/api/batches', body: () => ({ plan: { wood: filled(1) } }) },
  {
    name: 'unknown keys',
    path: '/api/batches',
    body: () => Object.fromEntries(filled('x'.repeat(20)).map((_, index) => [`key ${index}`, 1])),
  },
  { name: 'deep', path: '/api/rack', body: () => 'DEEP' },
  { name: 'one word', path: '/api/rack', body: () => ({ boards: 'x'.repeat(MOST - 100) }) },
  { name: 'visits', path: '/api/visits', body: () => ({ visits: filled({ id: 1 }) }) },
  { name: 'boxes', path: '/api/trail', body: () => ({ boxes: filled({ number: 'x' }) }) },
  { name: 'long CSV', path: '/api/rack/csv', body: () => lines(STOCK, stockLine, 50_000) },
  { name: 'wrong CSV', path: '/api/rack/csv', body: () => lines(STOCK, () => 'x', 900_000) },
  { name: 'whole CSV', path: '/api/rack/csv', body: () => lines(STOCK, stockLine, 4999) },
  {
    name: 'CSV of boxes',
    path: '/api/trail/csv',
    body: () => lines('number,place', (index) => `${index + 1000},Towpath`, 4999),
  },
];

/** A batch with a layout of its own, made heavy in every way. */
async function layoutLoads(port: number): Promise<Load[]> {
  const shop = new Shop(port);
  for (const { id } of await shop.batches()) {
    const batch = await shop.batch(id);
    const layout = batch.accepted ? null : await shop.layOut(batch);
    if (!layout) continue;
    const heavy = heavyLayouts(written(layout));
    await shop.pileUp(heavy.board.stock, 1000);
    return heavy.layouts.map((each) => ({
      name: each.name,
      method: 'PUT',
      path: `/api/batches/${id}/layout`,
      body: () => ({ layout: each.layout }),
    }));
  }
  throw new Error('the demo has no batch that can be laid out');
}

function heavyLayouts(layout: ReturnType<typeof written>) {
  const board = layout.boards.reduce((one, other) =>
    other.placements.length > one.placements.length ? other : one,
  );
  const placements = (count: number, step: number) =>
    Array.from({ length: count }, (_, at) => ({
      ...board.placements[at % board.placements.length],
      x: at * step,
    }));
  const offcuts = (count: number, step: number) =>
    Array.from({ length: count }, (_, at) => ({ rect: [at * step, 0, 200, 100] }));
  const boards = (count: number, change: object) => ({
    ...layout,
    boards: Array.from({ length: count }, (_, piece) => ({ ...board, piece, ...change })),
  });
  const layouts = [
    { name: 'offcuts', layout: boards(1, { offcuts: offcuts(3000, 0.5) }) },
    { name: 'offcuts that are let in', layout: boards(100, { offcuts: offcuts(200, 0.5) }) },
    { name: 'offcuts far apart', layout: boards(100, { offcuts: offcuts(200, 210) }) },
    { name: 'placements', layout: boards(1, { placements: placements(20_000, 1) }) },
    { name: 'placements on one spot', layout: boards(20, { placements: placements(1000, 0) }) },
    { name: 'placements far apart', layout: boards(20, { placements: placements(1000, 90) }) },
    { name: 'empty boards', layout: boards(1000, { placements: [], offcuts: [] }) },
  ];
  return { board, layouts };
}

/** What others wait for meanwhile. */
async function beside(port: number, isOver: () => boolean): Promise<number[]> {
  const waits: number[] = [];
  while (!isOver()) {
    const { milliseconds } = await ask(port, { method: 'GET', path: '/api/shop' });
    waits.push(milliseconds);
    await new Promise((go) => setTimeout(go, 20));
  }
  return waits;
}

/** What goes over the wire, written beforehand: that takes its time, too. */
function writtenOut({ path, method = 'POST', body }: Load): Asked & { body: string } {
  const sent = body();
  const asked =
    sent === 'DEEP' ? { ...json(null), body: `{"boards":${'['.repeat(MOST / 2)}` } : json(sent);
  return { method, path, ...asked };
}

/** Nothing that is sent makes others wait for more than a second, fails, or is answered with more than ten times its size. */
export async function heavy(port: number, isTimed: boolean): Promise<Outcome> {
  const faults: string[] = [];
  const told: string[] = [];
  let longest = 0;
  for (const load of [...LOADS, ...(await layoutLoads(port))]) {
    const asked = writtenOut(load);
    const size = asked.body.length;
    let isOver = false;
    const waiting = beside(port, () => isOver);
    const answer = await ask(port, asked);
    isOver = true;
    const wait = Math.max(...(await waiting));
    longest = Math.max(longest, wait);
    const shown = `${load.name}: ${answer.status}, ${Math.round(answer.milliseconds)} ms, others waited ${Math.round(wait)} ms, ${answer.text.length} letters for ${size}`;
    told.push(shown);
    const isLong = answer.status >= 400 && answer.text.length > size * 10 + 20_000;
    if ((isTimed && wait > LONGEST_WAIT) || answer.status >= 500 || isLong) faults.push(shown);
  }
  if (process.env.SPARE_KNOT_TELL) for (const line of told) console.log(line);
  const most = Math.round(longest);
  return { told: `${told.length} loads; nobody waited longer than ${most} ms`, faults };
}
