import type { BoxRecord } from '@spare-knot/core/api';
import type { Day } from '@spare-knot/core/building';
import { type ClosedTime, type DueVisit, nextVisit } from '@spare-knot/core/trail';
import { useMemo } from 'react';
import { useTools } from '../shop/use-tools';
import { today } from './words';

const NO_TIMES: readonly ClosedTime[] = [];

/** A box that is to be visited, and when. */
export interface DueBox {
  box: BoxRecord;
  due: DueVisit;
}

/** Boxes by the day on which they are to be visited, the latest first; and those for which nobody knows, since no animal is told. */
export function useDue(boxes: readonly BoxRecord[]) {
  const { shop } = useTools();
  const closed = shop?.closed ?? NO_TIMES;
  return useMemo(() => {
    const day: Day = today();
    const due = boxes
      .flatMap((box): DueBox[] => {
        const next = nextVisit(box, box, closed, day);
        return next ? [{ box, due: next }] : [];
      })
      .sort((a, b) => (a.due.on < b.due.on ? -1 : Number(a.due.on > b.due.on)));
    const untold = boxes.filter(
      ({ animal, hungOn, takenDownOn }) =>
        animal === null && hungOn !== null && takenDownOn === null,
    );
    const unhung = boxes.filter(({ hungOn }) => hungOn === null);
    return { day, due, untold, unhung };
  }, [boxes, closed]);
}
