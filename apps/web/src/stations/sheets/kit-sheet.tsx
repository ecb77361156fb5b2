import { kitItems } from '@spare-knot/core/building';
import { assembledDrawing } from '@spare-knot/core/sheets';
import { useMemo } from 'react';
import { PaperPicture } from '../../boxview/paper-picture';
import { useUnits } from '../../measure/units';
import { itemWords } from '../build/build-words';
import type { Built } from '../build/use-build';
import { PER_MM } from './step-on-paper';

const Tick = () => (
  <span className="mr-[1.6mm] inline-block size-[3.4mm] border-[0.3mm] border-black align-[-0.5mm]" />
);

/** The letters on each piece of a kit. */
function piecesOf({ build, box }: Built) {
  return box.panels.flatMap((panel) =>
    panel.instances.map((_each, instance) => ({
      panel: panel.id,
      instance,
      copies: panel.instances.length,
      letters: build.letters
        .filter(({ between }) =>
          between.some((copy) => copy.panel === panel.id && copy.instance === instance),
        )
        .map(({ letter }) => letter),
    })),
  );
}

/** Pairs that are left without glue although others are glued. */
function unglued({ build }: Built, nameOf: (panel: string) => string): string[] {
  const pairs = build.steps
    .flatMap(({ joints }) => joints)
    .filter(({ glue }) => !glue)
    .map(({ between: [a, b] }) => `${nameOf(a.panel)} and ${nameOf(b.panel).toLowerCase()}`);
  return [...new Set(pairs)];
}

/** What is in one kit: pieces to tick with their letters, the bag of screws, what is not glued, how the letters meet. */
export function KitSheet({
  built,
  nameOf,
  number,
  kits,
}: {
  built: Built;
  nameOf: (panel: string) => string;
  number: number;
  kits: number;
}) {
  const { style } = useUnits();
  const { build, box } = built;
  const whole = useMemo(() => assembledDrawing(box), [box]);
  const glued = build.steps.some(({ joints }) => joints.some(({ glue }) => glue));
  const bare = unglued(built, nameOf);
  return (
    <div data-kit={number}>
      <h2 className="mt-[3mm] font-slab text-[5mm]">
        Kit {number} of {kits}
      </h2>
      <p>
        Tick what is there before you begin. Every piece has letters in pencil on its inside: two
        pieces with the same letter meet there. The inside is marked “inside”; left and right are as
        you look at the front.
      </p>
      <div className="mt-[3mm] grid grid-cols-2 gap-[6mm]">
        <section>
          <PaperPicture
            drawing={whole}
            width={70 * PER_MM}
            most={80 * PER_MM}
            label="The box as it stands when it is done"
          />
          <h3 className="font-slab text-[4mm] font-bold">Pieces</h3>
          <ul>
            {piecesOf(built).map(({ panel, instance, copies, letters }) => (
              <li key={`${panel} ${instance}`} className="mt-[1mm]">
                <Tick />
                <strong>
                  {nameOf(panel)}
                  {copies > 1 && `, ${instance + 1} of ${copies}`}
                </strong>{' '}
                {letters.length > 0 && `letters ${letters.join(', ')}`}
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h3 className="font-slab text-[4mm] font-bold">In the bag</h3>
          <ul>
            {kitItems(build.hardware).map(({ item, count, spare }) => (
              <li key={item} className="mt-[1mm]">
                <Tick />
                <strong>{count}</strong> × {itemWords(item, style.system === 'inch')}
                {spare > 0 && `, and ${spare} spare`}
              </li>
            ))}
          </ul>
          <h3 className="mt-[4mm] font-slab text-[4mm] font-bold">You need</h3>
          <p>
            A driver that fits the screws, a pencil, two clamps or another pair of hands
            {glued ? ', exterior glue and a wet cloth' : ''}. All holes are bored: a screw that does
            not go in by hand is in the wrong hole.
          </p>
          {glued && bare.length > 0 && (
            <>
              <h3 className="mt-[4mm] font-slab text-[4mm] font-bold">No glue here</h3>
              <ul>
                {bare.map((pair) => (
                  <li key={pair}>{pair}</li>
                ))}
              </ul>
            </>
          )}
          {!glued && <p className="mt-[4mm]">No glue anywhere: any panel can be replaced.</p>}
        </section>
      </div>
      <section className="mt-[4mm]">
        <h3 className="font-slab text-[4mm] font-bold">Letters</h3>
        <ul className="grid grid-cols-3 gap-x-[4mm]">
          {build.letters.map(({ letter, between: [a, b] }) => (
            <li key={letter}>
              <strong>{letter}</strong> {nameOf(a.panel).toLowerCase()} and{' '}
              {nameOf(b.panel).toLowerCase()}
            </li>
          ))}
        </ul>
      </section>
      <p className="mt-[4mm]">
        Children: an adult drives the first screw of every joint. Eyes covered. The box stands on
        something that does not slide.
      </p>
    </div>
  );
}
