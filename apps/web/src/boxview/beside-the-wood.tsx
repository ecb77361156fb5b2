import type { Animal } from '@spare-knot/core/animals';
import { type Bit, boringOf, glueLine, hardwareOf, outsideArea } from '@spare-knot/core/building';
import { at, must } from '@spare-knot/core/lists';
import { TICKS_PER_MM, type Ticks } from '@spare-knot/core/measure';
import { COVER, type PanelSet, weightOf } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';
import { ofArea, ofSpace, ofWeight } from '@spare-knot/core/text';

import { useMemo, useState } from 'react';
import { Length, Sentence } from '../measure/length';
import { BitsList } from '../shop/bits-list';
import { useTools } from '../shop/use-tools';
import { HardwareTable } from './hardware-table';

interface Props {
  plan: BoxPlan;
  box: PanelSet;
  boxes: number;
  animal: Animal | undefined;
  locked: boolean;
  onEntrance: (diameter: Ticks) => void;
}

/** What a box takes beside its panels, how its entrance is bored with the bits at hand, and what it weighs and covers. */
export function BesideTheWood({ plan, box, boxes, animal, locked, onEntrance }: Props) {
  const lines = useMemo(() => hardwareOf(plan, box), [plan, box]);
  const outside = useMemo(() => outsideArea(box) / (TICKS_PER_MM * 1000) ** 2, [box]);
  const kilograms = weightOf(plan, box);
  const rooms = box.cavities.length;
  const litres =
    box.cavities.reduce(
      (sum, { width, depth, heightFront, heightBack }) =>
        sum + (width * depth * (heightFront + heightBack)) / 2,
      0,
    ) /
    TICKS_PER_MM ** 3 /
    1e6;
  const room = at(box.cavities, 0);
  return (
    <div className="mt-3 grid grid-cols-[1.35fr_1fr] gap-5 max-xl:grid-cols-1">
      <section aria-label="Hardware">
        <h2 className="text-base">Beside the wood, counted from the joints</h2>
        {lines.length === 0 ? (
          <p className="mt-1 text-soft">Nothing.</p>
        ) : (
          <HardwareTable lines={lines} boxes={boxes} />
        )}
        <p className="mt-2 text-sm text-soft">
          No screw or nail is longer than its joint allows: the thickness of the first panel and
          what lies behind it, less <Length ticks={COVER} unit />. Sizes sold by inches are the
          nearest [C].
        </p>
      </section>
      <div className="grid content-start gap-4">
        <Boring box={box} animal={animal} locked={locked} onEntrance={onEntrance} />
        <section aria-label="Weights and areas">
          <h2 className="text-base">What it comes to</h2>
          <dl className="mt-1">
            {(
              [
                ['Weight, bare', <Sentence key="w" text={[ofWeight(kilograms)]} />],
                [
                  'Floor inside',
                  <span key="f">
                    <Length ticks={room.width} /> × <Length ticks={room.depth} unit />
                  </span>,
                ],
                [
                  rooms > 1 ? `Rooms (${rooms})` : 'Room',
                  <Sentence key="r" text={[ofSpace(litres)]} />,
                ],
                [
                  'Glue line',
                  glueLine(plan, box) > 0 ? (
                    <Length key="g" ticks={glueLine(plan, box)} unit />
                  ) : (
                    'no glue'
                  ),
                ],
                ['Outside, to finish', <Sentence key="o" text={[ofArea(outside)]} />],
              ] as const
            ).map(([name, value]) => (
              <div
                key={name}
                className="flex justify-between gap-3 border-b border-dotted border-line py-0.5"
              >
                <dt className="text-soft">{name}</dt>
                <dd className="mono text-right">{value}</dd>
              </div>
            ))}
          </dl>
        </section>
      </div>
    </div>
  );
}

function Boring({
  box,
  animal,
  locked,
  onEntrance,
}: Pick<Props, 'box' | 'animal' | 'locked' | 'onEntrance'>) {
  const { shop, change } = useTools();
  const [open, setOpen] = useState(false);
  const bits = shop?.bits ?? [];
  const entrance = box.panels
    .flatMap((panel) => panel.features)
    .find((feature) => feature.kind === 'entrance');
  const boring = entrance?.kind === 'entrance' ? boringOf(entrance, bits, animal) : null;
  const keep = (bits: Bit[]) => change({ bits });
  return (
    <section aria-label="Boring the entrance">
      <h2 className="text-base">Making the entrance</h2>
      {boring ? (
        <p className="mt-1">
          <Sentence text={boring.words} />
        </p>
      ) : (
        <p className="mt-1 text-soft">Nothing is bored: the box is open.</p>
      )}
      {boring?.nearest != null && !locked && (
        <button
          type="button"
          className="btn mt-1"
          onClick={() => onEntrance(must(boring.nearest, 'nearest'))}
        >
          Set the entrance to it
        </button>
      )}
      <details className="mt-2" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className="min-h-7 font-semibold text-chalk">
          Bits in the shop ({bits.length})
        </summary>
        <BitsList bits={bits} onChange={(next) => void keep(next)} />
      </details>
    </section>
  );
}
