import { type Animal, type Range, readyWords } from '@spare-knot/core/animals';
import { EVIDENCE_MEANINGS, fromMm } from '@spare-knot/core/measure';
import { ofHeight } from '@spare-knot/core/text';

import type { ReactNode } from 'react';
import { Length, Sentence } from '../measure/length';

/** A range in millimetres, in the reader’s units. */
export function Between({ range }: { range: Range }) {
  return (
    <>
      <Length ticks={fromMm(range[0])} unit={range[0] === range[1]} />
      {range[0] !== range[1] && (
        <>
          {' to '}
          <Length ticks={fromMm(range[1])} unit />
        </>
      )}
    </>
  );
}

/** What an animal needs, with the ranges allowed and how far the figures can be trusted. */
export function AnimalFacts({ animal, brief = false }: { animal: Animal; brief?: boolean }) {
  const rows: [string, ReactNode][] = [];
  if (animal.entranceSize)
    rows.push([`Entrance, ${animal.entrance}`, <Between key="e" range={animal.entranceSize} />]);
  if (animal.entranceAboveFloor)
    rows.push([
      `Its ${animal.entranceReference ?? 'centre'} above the floor`,
      <Between key="h" range={animal.entranceAboveFloor} />,
    ]);
  if (animal.floorWidth) {
    rows.push([
      'Floor at least',
      <span key="f">
        <Length ticks={fromMm(animal.floorWidth)} />
        {animal.floorDepth && (
          <>
            {' × '}
            <Length ticks={fromMm(animal.floorDepth)} unit />
          </>
        )}
      </span>,
    ]);
  }
  if (animal.cavity) rows.push(['Room high', <Between key="c" range={animal.cavity} />]);
  if (!brief && animal.mount) {
    const [low, high] = animal.mount.map((metres) => ofHeight(fromMm(metres * 1000)));
    if (low && high) rows.push(['Hung at', <Sentence key="m" text={[low, ' to ', high]} />]);
  }
  if (!brief) rows.push(['Up by', readyWords(animal)], ['Facing', animal.facing]);
  return (
    <div className={brief ? 'text-[0.87rem]' : 'mt-2'}>
      <dl>
        {rows.map(([name, value]) => (
          <div
            key={name}
            className="flex justify-between gap-3 border-b border-dotted border-line py-0.5"
          >
            <dt className="text-soft">{name}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
      {!brief && animal.note.length > 0 && (
        <p className="mt-2">
          <Sentence text={animal.note} />.
        </p>
      )}
      <p className="mt-1 text-[0.82rem] text-soft">
        [{animal.evidence}] {animal.source}: {EVIDENCE_MEANINGS[animal.evidence]}
      </p>
    </div>
  );
}
