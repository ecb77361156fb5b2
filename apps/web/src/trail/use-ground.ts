import type { BoxRecord, ListRow } from '@spare-knot/core/api';
import { MARKS, markOf } from '@spare-knot/core/exchange';
import type { TrailMark } from '@spare-knot/core/trail';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { client } from '../api/client';
import { fitOf, type Placed, pictureGround, plainGround, type Spot } from './ground';
import { useSketches } from './use-sketches';
import { toldOf, useTrail } from './use-trail';

/** The ground of the plan, and what a tap on it says. */
export function useGround(
  boxes: readonly BoxRecord[],
  placed: readonly Placed[],
  marks: readonly TrailMark[],
) {
  const { sketches } = useSketches();
  const { change } = useTrail();
  const [id, setId] = useState<string | null>(null);
  const [tapped, setTapped] = useState<Spot | null>(null);
  const [toPlace, setToPlace] = useState('');
  // The first picture that lies on the earth is the ground till another is chosen.
  const own = sketches.find((sketch) => fitOf(sketch) !== null);
  const sketch = id === null ? own : sketches.find((each) => each.id === id);
  const ground = useMemo(
    () =>
      sketch
        ? pictureGround(sketch)
        : plainGround([...placed.map(({ at }) => at), ...marks.map(({ at }) => at)]),
    [sketch, placed, marks],
  );
  const tap = (spot: Spot) => {
    if (sketch && !ground.placeOf) {
      const { width, height } = sketch;
      const [up, right] = spot;
      if (right >= 0 && right <= width && up <= 0 && -up <= height) setTapped(spot);
      return;
    }
    const box = boxes.find((each) => each.id === toPlace);
    if (!box || !ground.placeOf) return;
    const { latitude, longitude } = ground.placeOf(spot);
    const rounded = (degrees: number) => Math.round(degrees * 1e6) / 1e6;
    setToPlace('');
    void change(box, {
      ...toldOf(box),
      at: { latitude: rounded(latitude), longitude: rounded(longitude) },
    });
  };
  return { sketch, ground, tapped, setTapped, choose: setId, tap, toPlace, setToPlace };
}

const NO_ROWS: readonly ListRow[] = [];

/** What stands along the trail beside the boxes. */
export function useMarks(): readonly TrailMark[] {
  const { data = NO_ROWS } = useQuery({
    queryKey: [MARKS.id],
    queryFn: () => client.list(MARKS),
  });
  return useMemo(() => data.flatMap(({ fields }) => markOf(fields) ?? []), [data]);
}
