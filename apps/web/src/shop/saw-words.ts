import type { OwnedSaw, SawKind } from '@spare-knot/core/cuts';
import { fromMm } from '@spare-knot/core/measure';

export const SAW_NAMES: Readonly<Record<SawKind, string>> = {
  mitre: 'mitre saw',
  table: 'table saw',
  track: 'track saw',
  band: 'band saw',
  jigsaw: 'jigsaw',
  hand: 'hand saw',
};

export const WAYS: Readonly<Record<OwnedSaw['tiltsTo'], string>> = {
  left: 'to the left',
  right: 'to the right',
  both: 'both ways',
};

/** What a saw of a kind usually is, to begin with: common practice, no source. Everything of it is measured and changed. */
export function usualSaw(kind: SawKind, taken: readonly string[]): OwnedSaw {
  const usual = SAW_NAMES[kind];
  let name = usual;
  for (let more = 2; taken.includes(name); more += 1) name = `${usual} ${more}`;
  const isHand = kind === 'hand';
  return {
    name,
    kind,
    kerf: fromMm(isHand || kind === 'jigsaw' ? 1.6 : 3.175),
    capacity: kind === 'mitre' ? fromMm(310) : null,
    maxMitre: isHand ? 90 : 50,
    maxTilt: isHand ? 90 : 45,
    tiltsTo: isHand ? 'both' : 'left',
    handMin: fromMm(isHand ? 0 : 200),
    hasStop: kind === 'mitre',
    mitreOff: 0,
    tiltOff: 0,
  };
}
