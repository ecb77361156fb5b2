import { animalById } from '../animals/index.js';
import { fromMm } from '../measure/index.js';
import { joinTexts, ofHeight, type Text, text } from '../text/index.js';
import type { DueVisit } from './due.js';
import { FINDINGS, type Finding, type TrailBox } from './trail.js';

/** A box on a walk: why it is visited, and what its last visit found it wanting. */
export interface Stop {
  box: Pick<TrailBox, 'number' | 'height' | 'animal'>;
  kind: DueVisit['kind'];
  wants: string;
}

/** What two hands reach from the ground: common practice, no source. */
const REACH = fromMm(2000);

const numbers = (stops: readonly Stop[]): string => stops.map(({ box }) => box.number).join(', ');

/** What goes on a walk, and what is to be mended on it. Common practice, no source. */
export function whatToCarry(stops: readonly Stop[]): Text[] {
  if (stops.length === 0) return [];
  const climbed = stops.filter(({ kind }) => kind !== 'below');
  const high = climbed.filter(({ box }) => box.height !== null && box.height > REACH);
  const unknown = climbed.filter(({ box }) => box.height === null);
  const cleaned = stops.filter(({ kind }) => kind === 'clean' || kind === 'rid');
  const hung = stops.filter(({ kind }) => kind === 'first');
  const mended = stops.filter(({ wants }) => wants !== '');
  const highest = Math.max(0, ...high.map(({ box }) => box.height ?? 0));
  return [
    text`Driver for the door, a light and a mirror, this list.`,
    ...(high.length > 0
      ? [
          text`A ladder for box ${numbers(high)}, up to ${ofHeight(highest)}: two people, its feet on firm ground, one holds it.`,
        ]
      : []),
    ...(unknown.length > 0
      ? [
          text`Nobody has said how high these hang, so whether a ladder is wanted: ${numbers(unknown)}.`,
        ]
      : []),
    ...(cleaned.length > 0
      ? [
          text`To clean box ${numbers(cleaned)}: scraper, brush, hot water, a bag; gloves and a mask, old nests are dusty and have mites.`,
        ]
      : []),
    ...(hung.length > 0 ? [text`Spare screws and fixings for box ${numbers(hung)}.`] : []),
    ...(mended.length > 0
      ? [
          joinTexts(
            [
              text`To mend: `,
              joinTexts(
                mended.map(({ box, wants }) => text`box ${box.number}, ${wants}`),
                '; ',
              ),
            ],
            '',
          ),
        ]
      : []),
  ];
}

/** What can be found in a box for an animal: a bat box is not opened. */
export const findingsFor = (animal: string | null): readonly Finding[] =>
  animalById(animal)?.family === 'bat' ? ['not-opened', 'wasps'] : FINDINGS;
