import type { NewBox } from '@spare-knot/core/api';
import { readGeoJson, readGpx } from '@spare-knot/core/exchange';

/** Boxes of a file of places; those whose number stands on a box already are named with the others that cannot be. */
export function placesIn(text: string, name: string, boxes: readonly Pick<NewBox, 'number'>[]) {
  const { entries, problems } = /\.gpx$/i.test(name) ? readGpx(text) : readGeoJson(text);
  const known = new Set(boxes.map(({ number }) => number));
  const fresh = entries.filter(({ number }, index) => {
    const isKnown = known.has(number);
    if (isKnown)
      problems.push({ line: index + 1, message: `${number} stands on another box already` });
    known.add(number);
    return !isKnown;
  });
  return { fresh, problems };
}
