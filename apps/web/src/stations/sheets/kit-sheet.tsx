import { type HardwareLine, hardwareOf, kitItems } from '@spare-knot/core/building';
import { must } from '@spare-knot/core/lists';
import { assembledDrawing } from '@spare-knot/core/sheets';
import { plainText, type Text } from '@spare-knot/core/text';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { PaperPicture } from '../../boxview/paper-picture';
import { Sentence } from '../../measure/length';
import { useUnits } from '../../measure/units';
import { useSupplies } from '../../shop/use-supplies';
import { itemWords } from '../build/build-words';
import { hoursWord } from '../build/hours-word';
import { type Built, planToBuild } from '../build/use-build';
import { type KitPartName, kitName } from './bench-pages';
import { Measured } from './measured';
import { PER_MM } from './paper';

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

const soldAs = ({ name, inchName }: HardwareLine, isInch: boolean): Text =>
  isInch && inchName ? inchName : name;

/** What the kit takes beside its wood, by the names under which it is sold. */
function useLines(built: Built): ReadonlyMap<string, HardwareLine> {
  const { draft, sound } = useBatch();
  const { making } = draft;
  return useMemo(() => {
    const lines = sound ? hardwareOf(planToBuild(sound.plan, making), built.box, making.site) : [];
    return new Map(lines.map((line) => [line.id, line]));
  }, [sound, making, built]);
}

/** What drives the screws and nails of the kit; for screws the bit, where the shop’s drawers say it. */
function useDriver({ build }: Built, lines: ReadonlyMap<string, HardwareLine>): string {
  const { supplies } = useSupplies();
  const items = build.hardware.map(({ item }) => item);
  const isNail = (item: string) =>
    /nail/i.test(`${item} ${plainText(lines.get(item)?.name ?? [])}`);
  const screws = items.filter((item) => item.startsWith('screw'));
  const drives = screws.map((item) => supplies.find((supply) => supply.item === item)?.drive ?? '');
  const known = [...new Set(drives.filter((drive) => drive !== ''))];
  const driver =
    known.length > 0
      ? `A driver for ${known.join(' and ')} screws`
      : 'A driver that fits the screws (the packer writes which: ________)';
  if (!items.some(isNail)) return driver;
  return screws.length > 0 ? `${driver}, a hammer` : 'A hammer';
}

interface Props {
  built: Built;
  nameOf: (panel: string) => string;
  number: number;
  kits: number;
}

/** The box, and its pieces to tick with their letters. */
function Pieces({ built, nameOf }: Pick<Props, 'built' | 'nameOf'>) {
  const whole = useMemo(() => assembledDrawing(built.box), [built]);
  return (
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
  );
}

/** The bag of screws, what one needs besides, and what is not glued. */
function Bag({ built, nameOf }: Pick<Props, 'built' | 'nameOf'>) {
  const { style } = useUnits();
  const { build } = built;
  const glued = build.steps.some(({ joints }) => joints.some(({ glue }) => glue));
  const bare = unglued(built, nameOf);
  const lines = useLines(built);
  const driver = useDriver(built, lines);
  const wait = build.times.waits.find(({ what }) => what === 'glue');
  return (
    <section>
      <h3 className="font-slab text-[4mm] font-bold">In the bag</h3>
      <ul>
        {kitItems(build.hardware).map(({ item, count, spare }) => (
          <li key={item} className="mt-[1mm]">
            <Tick />
            <strong>{count}</strong> ×{' '}
            {lines.has(item) ? (
              <Sentence text={soldAs(must(lines.get(item), item), style.system === 'inch')} />
            ) : (
              itemWords(item, style.system === 'inch')
            )}
            {spare > 0 && `, and ${spare} spare`}
          </li>
        ))}
      </ul>
      <h3 className="mt-[4mm] font-slab text-[4mm] font-bold">You need</h3>
      <p>
        {driver}, a pencil, a tape, two clamps or another pair of hands
        {glued ? ', exterior glue and a wet cloth' : ''}. All holes are bored: start each screw by
        hand; one that does not catch is in the wrong hole.
      </p>
      {glued && (
        <p>
          Glue: a thin line on the edge that meets, wiped off where it comes out.
          {wait && ` The clamps stay on for ${hoursWord(wait.hours)}, or as the bottle says.`}
        </p>
      )}
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
  );
}

/** What is in the kit. */
const Pack = ({ built, nameOf, number, kits }: Props) => (
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
      <Pieces built={built} nameOf={nameOf} />
      <Bag built={built} nameOf={nameOf} />
    </div>
  </div>
);

/** How the letters meet. */
const Letters = ({ built, nameOf }: Props) => (
  <section className="mt-[4mm]">
    <h3 className="font-slab text-[4mm] font-bold">Letters</h3>
    <ul className="grid grid-cols-3 gap-x-[4mm]">
      {built.build.letters.map(({ letter, between: [a, b] }) => (
        <li key={letter}>
          <strong>{letter}</strong> {nameOf(a.panel).toLowerCase()} and{' '}
          {nameOf(b.panel).toLowerCase()}
        </li>
      ))}
    </ul>
  </section>
);

/** What it wants where it hangs. */
const Hanging = ({ built }: Props) => (
  <section className="mt-[4mm]">
    <h3 className="font-slab text-[4mm] font-bold">When it is together</h3>
    <ul>
      {built.build.hanging.siting.wants.map((text, index) => (
        <li key={index}>
          <Sentence text={text} />
        </li>
      ))}
    </ul>
  </section>
);

const Children = () => (
  <p className="mt-[4mm]">
    Children: an adult drives the first screw of every joint. Eyes covered. The box stands on
    something that does not slide.
  </p>
);

/** What stands on the sheet of a kit; where there is no room for one on the first, it stands on the next. */
const PARTS = { pack: Pack, letters: Letters, hanging: Hanging, children: Children };

/** One part of a kit’s sheet. */
export function KitPart({ part, ...kit }: Props & { part: KitPartName }) {
  const Part = PARTS[part];
  return (
    <Measured name={kitName(part)}>
      <Part {...kit} />
    </Measured>
  );
}
