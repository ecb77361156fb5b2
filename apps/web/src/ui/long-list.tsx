import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useLayoutEffect, useRef, useState } from 'react';

/** Shorter lists are drawn whole: a page that is searched with the browser finds all of it. */
const LONG = 80;
const GAP = 12;

/** A list of which, when it is long, only what is near the window is drawn; each row is as high as it turns out to be. */
export function LongList<T>({
  items,
  keyOf,
  heightOf,
  row,
}: {
  items: readonly T[];
  keyOf: (item: T) => string;
  /** About how high a row is, in pixels, before it is drawn. */
  heightOf: (item: T) => number;
  row: (item: T) => ReactNode;
}) {
  if (items.length <= LONG)
    return (
      <ul className="grid gap-3">
        {items.map((item) => (
          <li key={keyOf(item)}>{row(item)}</li>
        ))}
      </ul>
    );
  return <Windowed items={items} keyOf={keyOf} heightOf={heightOf} row={row} />;
}

function Windowed<T>({ items, keyOf, heightOf, row }: Parameters<typeof LongList<T>>[0]) {
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(list.current?.offsetTop ?? 0), []);
  const rows = useWindowVirtualizer({
    count: items.length,
    estimateSize: (index) => {
      const item = items[index];
      return item === undefined ? 0 : heightOf(item) + GAP;
    },
    getItemKey: (index) => {
      const item = items[index];
      return item === undefined ? index : keyOf(item);
    },
    overscan: 4,
    scrollMargin: top,
  });
  return (
    <ul ref={list} className="relative" style={{ height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map(({ key, index, start }) => {
        const item = items[index];
        return (
          item !== undefined && (
            <li
              key={String(key)}
              ref={rows.measureElement}
              data-index={index}
              aria-setsize={items.length}
              aria-posinset={index + 1}
              className="absolute inset-x-0 top-0"
              style={{ transform: `translateY(${start - top}px)`, paddingBottom: GAP }}
            >
              {row(item)}
            </li>
          )
        );
      })}
    </ul>
  );
}
