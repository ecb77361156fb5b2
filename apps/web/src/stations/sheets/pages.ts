import { at } from '@spare-knot/core/lists';

/** Something that stands on paper: so many millimetres high. */
export interface Block<T> {
  of: T;
  height: number;
}

/** What stands on one sheet: lines of the cut list, and boards. */
export interface Page<Line, Drawing> {
  lines: readonly Line[];
  drawings: readonly Drawing[];
  /** True where the cut list begins, and where it ends. */
  isFirst: boolean;
  isLast: boolean;
}

/** Room on a sheet, and what head and foot of the cut list take of it, in millimetres. */
export interface Room {
  height: number;
  listHead: number;
  listFoot: number;
}

/** Blocks one after the other into rooms of a height; a block higher than the room has one of its own. */
export function fill<T>(blocks: readonly Block<T>[], height: number): Block<T>[][] {
  const rooms: Block<T>[][] = [];
  let left = 0;
  for (const block of blocks) {
    if (rooms.length === 0 || block.height > left) {
      rooms.push([]);
      left = height;
    }
    at(rooms, -1).push(block);
    left -= block.height;
  }
  return rooms;
}

const total = (blocks: readonly Block<unknown>[]): number =>
  blocks.reduce((sum, { height }) => sum + height, 0);

/**
 * What stands on each sheet: the cut list first, over as many sheets as it needs, then the drawings, the first of them under the end of
 * the list where there is room. Nothing is left out, nothing stands twice, and only what is higher than a sheet runs over its foot.
 */
export function paginate<Line, Drawing>(
  lines: readonly Block<Line>[],
  drawings: readonly Block<Drawing>[],
  { height, listHead, listFoot }: Room,
): Page<Line, Drawing>[] {
  const listRoom = height - listHead - listFoot;
  const lists = lines.length > 0 ? fill(lines, listRoom) : [[]];
  const pages = lists.map(
    (list, index): Page<Line, Drawing> => ({
      lines: list.map(({ of }) => of),
      drawings: [],
      isFirst: index === 0,
      isLast: index === lists.length - 1,
    }),
  );
  let left = listRoom - total(at(lists, -1));
  const under: Drawing[] = [];
  let next = 0;
  for (; next < drawings.length; next += 1) {
    const drawing = at(drawings, next);
    if (drawing.height > left) break;
    under.push(drawing.of);
    left -= drawing.height;
  }
  const last = { ...at(pages, -1), drawings: under };
  const rest = fill(drawings.slice(next), height).map(
    (blocks): Page<Line, Drawing> => ({
      lines: [],
      drawings: blocks.map(({ of }) => of),
      isFirst: false,
      isLast: false,
    }),
  );
  return [...pages.slice(0, -1), last, ...rest];
}
