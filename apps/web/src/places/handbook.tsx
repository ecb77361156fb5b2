import {
  animalById,
  FAMILY_NAMES,
  findAnimals,
  REGION_NAMES,
  readyWords,
} from '@spare-knot/core/animals';
import { SHOP_CAUTIONS } from '@spare-knot/core/building';
import {
  buildBox,
  FAMILIES,
  type Family,
  NEST_CAUTIONS,
  ROOST_CAUTIONS,
} from '@spare-knot/core/families';
import { at } from '@spare-knot/core/lists';
import { EVIDENCE_MEANINGS } from '@spare-knot/core/measure';
import { FASTENERS } from '@spare-knot/core/panels';
import { applying, startPlan } from '@spare-knot/core/plan';
import { smallPicture } from '@spare-knot/core/sheets';
import { MATERIALS, NOMINAL_SIZES } from '@spare-knot/core/wood';

import { Tabs } from 'radix-ui';
import { type ReactNode, useMemo, useState } from 'react';
import { AnimalFacts } from '../boxview/animal-facts';
import { SmallPicture } from '../boxview/small-picture';
import { Length, Sentence } from '../measure/length';
import { HeaderEnd } from '../ui/header-end';
import { STANDARD_WOOD } from '../wood/standard-wood';

const TABS = [
  ['animals', 'Animals'],
  ['families', 'Kinds of box'],
  ['choices', 'Where makers disagree'],
  ['wood', 'Wood and fasteners'],
  ['cautions', 'Cautions'],
] as const;

/** What the house knows, each figure with how far it can be trusted. */
export function Handbook() {
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6">
      <HeaderEnd />
      <h1 className="text-3xl">Handbook</h1>
      <p className="text-soft">
        Every figure carries its mark:{' '}
        {(['P', 'M', 'C'] as const)
          .map((mark) => `[${mark}] ${EVIDENCE_MEANINGS[mark]}`)
          .join(' · ')}
        .
      </p>
      <Tabs.Root defaultValue="animals" className="mt-4">
        <Tabs.List className="flex flex-wrap gap-1" aria-label="Chapters">
          {TABS.map(([value, label]) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="min-h-9 rounded-md border border-transparent px-3 font-semibold text-chalk data-[state=active]:border-chalk data-[state=active]:bg-chalk-pale"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="animals">
          <Animals />
        </Tabs.Content>
        <Tabs.Content value="families">
          <Families />
        </Tabs.Content>
        <Tabs.Content value="choices">
          <Choices />
        </Tabs.Content>
        <Tabs.Content value="wood">
          <Wood />
        </Tabs.Content>
        <Tabs.Content value="cautions">
          <Cautions />
        </Tabs.Content>
      </Tabs.Root>
    </main>
  );
}

function Animals() {
  const [text, setText] = useState('');
  const found = useMemo(() => findAnimals(text), [text]);
  return (
    <>
      <input
        className="field mt-4 w-full max-w-md"
        aria-label="Search animals"
        placeholder="chickadee, owl, Europe, bat…"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <ul className="mt-3 grid grid-cols-3 gap-3 max-lg:grid-cols-2 max-sm:grid-cols-1">
        {found.map((animal) => (
          <li key={animal.id} className="card p-3">
            <h2 className="text-lg">{animal.name}</h2>
            <p className="text-sm text-soft">
              <em>{animal.scientific}</em> · {REGION_NAMES[animal.region]} ·{' '}
              {FAMILY_NAMES[animal.family]} · up by {readyWords(animal)}
            </p>
            <AnimalFacts animal={animal} />
          </li>
        ))}
      </ul>
      {found.length === 0 && (
        <p className="mt-4">No animal of the table has these words. Try fewer.</p>
      )}
    </>
  );
}

function useExample(family: Family) {
  return useMemo(() => {
    const animal = animalById(family.example);
    if (!animal) return null;
    const plan = startPlan(family, animal, STANDARD_WOOD);
    const built = buildBox(plan);
    return { plan, box: built.ok ? built.box : null };
  }, [family]);
}

function Families() {
  return (
    <ul className="mt-4 grid grid-cols-2 gap-3 max-lg:grid-cols-1">
      {FAMILIES.map((family) => (
        <FamilyCard key={family.id} family={family} />
      ))}
    </ul>
  );
}

function FamilyCard({ family }: { family: Family }) {
  const example = useExample(family);
  const box = example?.box;
  const roofs = family.roles.filter(({ kind }) => kind === 'roof').map(({ id }) => id);
  return (
    <li className="card flex gap-4 p-4">
      <div className="flex shrink-0 gap-2">
        {box && (
          <>
            <SmallPicture picture={smallPicture(box, 'front')} width={84} height={120} light />
            <SmallPicture picture={smallPicture(box, 'section', roofs)} width={84} height={120} />
          </>
        )}
      </div>
      <div>
        <h2 className="text-lg">{family.name}</h2>
        <p className="mt-1">
          <Sentence text={family.about} />
        </p>
        <p className="mt-1 text-sm text-soft">
          Panels:{' '}
          {applying(family.roles, example?.plan.choices ?? {})
            .map((role) => role.label.toLowerCase())
            .join(', ')}
          .
        </p>
      </div>
    </li>
  );
}

function Choices() {
  const rows = useMemo(() => {
    const seen = new Map<
      string,
      {
        label: string;
        families: string[];
        options: readonly { id: string; label: string; reason: string }[];
      }
    >();
    for (const family of FAMILIES) {
      for (const choice of family.choices) {
        const key = `${choice.id}|${choice.options
          .map((option) => option.id)
          .sort()
          .join()}`;
        const known = seen.get(key);
        if (known) known.families.push(family.name);
        else if (choice.options.length > 1 && !/^\d+$/.test(at(choice.options, 0).label))
          seen.set(key, { label: choice.label, families: [family.name], options: choice.options });
      }
    }
    return [...seen.values()];
  }, []);
  return (
    <ul className="mt-4 grid grid-cols-2 gap-3 max-lg:grid-cols-1">
      {rows.map((row) => (
        <li key={`${row.label} ${row.families.join()}`} className="card p-4">
          <h2 className="text-lg">{row.label}</h2>
          <p className="text-sm text-soft">
            {row.families.length === FAMILIES.length
              ? 'every kind of box'
              : row.families.join(', ')}
          </p>
          <dl className="mt-1">
            {row.options.map((option) => (
              <div key={option.id} className="mt-1">
                <dt className="inline font-semibold">{option.label}: </dt>
                <dd className="inline">{option.reason}</dd>
              </div>
            ))}
          </dl>
          <p className="mt-1 text-sm text-soft">[C] the reasons are makers’ own.</p>
        </li>
      ))}
    </ul>
  );
}

const Cell = ({ children, right = false }: { children: ReactNode; right?: boolean }) => (
  <td className={`border-b border-dotted border-line px-2 py-1 ${right ? 'mono text-right' : ''}`}>
    {children}
  </td>
);

function Wood() {
  return (
    <div className="mt-4 grid grid-cols-2 items-start gap-4 max-lg:grid-cols-1">
      <section className="card p-4">
        <h2 className="text-lg">Sold as, and what a tape finds</h2>
        <table className="mt-2 w-full">
          <tbody>
            {NOMINAL_SIZES.map((size) => (
              <tr key={size.name}>
                <Cell>{size.name}</Cell>
                <Cell right>
                  <Length ticks={size.thickness} /> × <Length ticks={size.width} unit />
                </Cell>
                <Cell>
                  <span className="text-sm text-soft">
                    [{size.mark}] {size.source}
                  </span>
                </Cell>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-2 text-sm">
          Fine for walls: sound knots. Not in a roof, across a tilted edge, within about{' '}
          <Length ticks={12 * 320} unit /> of an entrance’s rim or of a screw [C]. Never
          pressure-treated, creosoted, oily or unknown-smelling wood, chipboard, MDF or thin
          interior ply [C]; pallets only with the HT stamp, never MB [P: ISPM 15].
        </p>
      </section>
      <section className="card p-4">
        <h2 className="text-lg">Weight by the cubic metre</h2>
        <table className="mt-2 w-full">
          <tbody>
            {MATERIALS.map((material) => (
              <tr key={material.id}>
                <Cell>{material.name}</Cell>
                <Cell right>{material.density} kg/m³</Cell>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-1 text-sm text-soft">
          [M] at 12 % moisture: FPL Wood Handbook, specific gravity table, rounded.
        </p>
      </section>
      <section className="card col-span-2 p-4 max-lg:col-span-1">
        <h2 className="text-lg">Screws and nails</h2>
        <p>
          The point stays inside: never longer than the first panel’s thickness and the depth behind
          it, less 3 mm [C]; it bites at least six diameters into the second [M: ANSI/AWC NDS,
          minimum penetration]. Pilot holes in softwood, about two thirds of the shank [C].
        </p>
        <table className="mt-2 w-full max-w-2xl">
          <thead>
            <tr className="text-left text-sm text-soft">
              <th className="px-2">Kind</th>
              <th className="px-2">Size</th>
              <th className="px-2">Nearest by inches [C]</th>
              <th className="px-2 text-right">Pilot</th>
            </tr>
          </thead>
          <tbody>
            {FASTENERS.map((fastener) => (
              <tr key={fastener.id}>
                <Cell>{fastener.kind === 'screw' ? 'exterior screw' : 'ring-shank nail'}</Cell>
                <Cell>{fastener.name}</Cell>
                <Cell>{fastener.inchName}</Cell>
                <Cell right>
                  <Length ticks={fastener.pilot} unit />
                </Cell>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}

function Cautions() {
  const groups: [string, readonly string[]][] = [
    ['At the saw and the drill', SHOP_CAUTIONS],
    ['Nests', NEST_CAUTIONS],
    ['Roosts', ROOST_CAUTIONS],
  ];
  return (
    <div className="mt-4 grid grid-cols-3 items-start gap-4 max-lg:grid-cols-1">
      {groups.map(([title, lines]) => (
        <section key={title} className="card border-l-4 !border-l-warn p-4">
          <h2 className="text-lg">{title}</h2>
          <ul className="mt-1 list-disc pl-5">
            {lines.map((line) => (
              <li key={line} className="mt-1">
                {line}
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p className="text-sm text-soft">
        Where this, the saw’s manual, a local code or a licensed handler disagree, they are right.
      </p>
    </div>
  );
}
