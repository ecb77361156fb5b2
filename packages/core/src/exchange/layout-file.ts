import { z } from 'zod';
import type { KeptOffcut, Layout } from '../layout/index.js';
import { sum } from '../lists/index.js';
import { plainText, type Text } from '../text/index.js';
import { type Read, readDocument } from './document.js';
import { placementFields } from './layout-job-file.js';
import { count, distance, length, money, name } from './units.js';

export const LAYOUT_FORMAT = 'spare-knot/layout' as const;

const offcut = z.codec(
  z.object({ rect: z.tuple([length, length, distance, distance]) }),
  z.custom<KeptOffcut>(),
  {
    decode: ({ rect: [x, y, long, wide] }) => ({ x, y, length: long, width: wide }),
    encode: (kept) => ({
      rect: [kept.x, kept.y, kept.length, kept.width] as [number, number, number, number],
    }),
  },
);

/** A sentence in a file is words, its lengths in millimetres. */
const sentence = z.codec(z.string().max(1000), z.custom<Text>(), {
  decode: (words) => (words === '' ? [] : [words]),
  encode: plainText,
});

/** Far above what lies on any board, and in any shop's winter; what is more is refused before it is read. */
const MOST_ON_A_BOARD = { placements: 1000, offcuts: 200 };
const MOST_BOARDS = 5000;
const MOST_UNPLACED = 2000;
/** Of all boards together. */
const MOST_PLACEMENTS = 20_000;

export const layoutSchema = z.object({
  format: z.literal(LAYOUT_FORMAT),
  version: z.literal(1),
  boards: z
    .array(
      z.object({
        stock: name,
        piece: count,
        placements: z.array(z.object(placementFields)).max(MOST_ON_A_BOARD.placements),
        offcuts: z.array(offcut).max(MOST_ON_A_BOARD.offcuts).default([]),
      }),
    )
    .max(MOST_BOARDS)
    .refine((boards) => sum(boards.map(({ placements }) => placements.length)) <= MOST_PLACEMENTS, {
      message: `more than ${MOST_PLACEMENTS} parts are placed`,
    }),
  unplaced: z
    .array(z.object({ part: name, count, reason: sentence }))
    .max(MOST_UNPLACED)
    .default([]),
  cost: money.default(0),
  lowerBound: money.default(0),
  boundProof: z.enum(['area', 'lp', 'exact']).default('area'),
  optimal: z.boolean().default(false),
  yield: z.number().min(0).max(1.001).default(0),
  seconds: z.number().nonnegative().default(0),
});

/** A layout, in a file of its own or inside another document. */
export const layoutDocument = z.codec(layoutSchema, z.custom<Layout>(), {
  decode: ({ format: _format, version: _version, ...layout }) => layout,
  encode: (layout) => ({
    format: LAYOUT_FORMAT,
    version: 1 as const,
    ...layout,
    boards: layout.boards.map((board) => ({
      ...board,
      placements: [...board.placements],
      offcuts: [...board.offcuts],
    })),
    unplaced: [...layout.unplaced],
  }),
});

export const readLayout = (text: string): Read<Layout> =>
  readDocument(text, LAYOUT_FORMAT, 1, layoutDocument);

/** A layout as a file writes it. */
export const writeLayout = (layout: Layout): z.input<typeof layoutDocument> =>
  z.encode(layoutDocument, layout);
