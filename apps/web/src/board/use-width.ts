import { useCallback, useRef, useState } from 'react';

/** The width of an element in pixels, followed as it changes, also when another element takes its place; 0 until it is there. */
export function useWidth<E extends HTMLElement>(): [
  ref: (element: E | null) => void,
  width: number,
] {
  const observer = useRef<ResizeObserver | null>(null);
  const [width, setWidth] = useState(0);
  const ref = useCallback((element: E | null) => {
    observer.current?.disconnect();
    observer.current = null;
    if (!element) return;
    setWidth(element.clientWidth);
    observer.current = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.current.observe(element);
  }, []);
  return [ref, width];
}
