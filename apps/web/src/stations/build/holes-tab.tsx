import {
  type BitHoles,
  type BoredHole,
  type BuildPlan,
  boxesWithNew,
  byBit,
  type FromEdge,
  faceWords,
  type Side,
  sidesOf,
  sideWork,
} from '@spare-knot/core/building';
import { at, must } from '@spare-knot/core/lists';
import { printAngle, printLength, printLengthUnit } from '@spare-knot/core/measure';
import { edgeName, type Panel } from '@spare-knot/core/panels';
import { holeDrawing } from '@spare-knot/core/sheets';
import { printText, type Text } from '@spare-knot/core/text';
import { Check, ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useWidth } from '../../board/use-width';
import { PaperPicture } from '../../boxview/paper-picture';
import { Length, Sentence } from '../../measure/length';
import { useUnits } from '../../measure/units';
import { USE_WORDS } from './build-words';
import type { BenchWork } from './use-bench-work';
import { useBitStyle } from './use-bit-style';
import type { Built } from './use-build';
import { useStepKeys } from './use-step-keys';

interface Props {
  built: Built;
  nameOf: (id: string) => string;
}

function SizeWords({ hole: { size } }: { hole: BoredHole }) {
  const bits = useBitStyle();
  if (size.shape === 'round') return printLengthUnit(size.diameter, bits);
  return (
    <>
      {size.shape} <Length ticks={size.width} /> × <Length ticks={size.height} unit />
    </>
  );
}

const fromWords = (from: FromEdge, panel: Panel): string => {
  if ('edge' in from) return `from the ${edgeName(panel, from.edge)} edge`;
  return 'corner' in from ? 'from the left end' : 'under the outside';
};

/** One hole: what for, how wide, how deep, and its two distances. */
function HoleRow({
  hole,
  panel,
  number,
  chosen,
  onChoose,
  nameOf,
}: {
  hole: BoredHole;
  panel: Panel;
  number: number;
  chosen: boolean;
  onChoose: () => void;
  nameOf: (id: string) => string;
}) {
  const bits = useBitStyle();
  return (
    <tr className={chosen ? 'bg-chalk-pale' : ''}>
      <td className="p-0">
        <button
          type="button"
          aria-pressed={chosen}
          className="mono min-h-11 w-full px-2 text-left text-lg font-bold text-chalk"
          onClick={onChoose}
        >
          {number}
        </button>
      </td>
      <td className="px-2 py-1">
        {USE_WORDS[hole.for]}
        {hole.drillWith.length > 0 && (
          <span className="block text-sm text-soft">
            in line with {hole.drillWith.map(nameOf).join(', ').toLowerCase()}
          </span>
        )}
        {hole.countersink !== undefined && (
          <span className="block text-sm text-soft">
            countersink {printLengthUnit(hole.countersink, bits)}
          </span>
        )}
      </td>
      <td className="mono px-2 text-right whitespace-nowrap">
        <SizeWords hole={hole} />
      </td>
      <td className="mono px-2 text-right whitespace-nowrap">
        {hole.depth === 'through' ? 'through' : <Length ticks={hole.depth} unit />}
        {hole.lean > 0.5 && <span className="block">{printAngle(hole.lean)} aslant</span>}
      </td>
      {hole.from.map((from, index) => (
        <td key={index} className="px-2 text-right whitespace-nowrap">
          <span className="mono text-lg font-bold">
            <Length ticks={from.distance} />
          </span>{' '}
          <span className="text-sm text-soft">{fromWords(from, panel)}</span>
        </td>
      ))}
    </tr>
  );
}

/** One side of a panel, as large as the screen lets it be. */
function SideOnBench({ side, built, nameOf }: { side: Side } & Props) {
  const { style } = useUnits();
  const [ref, width] = useWidth<HTMLDivElement>();
  const [chosen, setChosen] = useState(0);
  const panel = must(
    built.box.panels.find(({ id }) => id === side.panel),
    side.panel,
  );
  const shown = Math.min(chosen, side.holes.length - 1);
  const drawing = useMemo(
    () =>
      holeDrawing(
        { panel, face: side.face, holes: side.holes, measured: [at(side.holes, shown)] },
        (ticks) => printLength(ticks, style),
      ),
    [panel, side, shown, style],
  );
  const total = panel.instances.length;
  return (
    <div className="grid grid-cols-[minmax(260px,1fr)_1.35fr] gap-4 max-lg:grid-cols-[minmax(0,1fr)]">
      <div
        ref={ref}
        className="grid min-h-[300px] content-start justify-items-center rounded-md bg-card pt-2"
      >
        {width > 0 && (
          <PaperPicture
            drawing={drawing}
            width={width}
            most={440}
            label={`${nameOf(side.panel)}, ${faceWords(side.face, panel)}`}
          />
        )}
      </div>
      <div className="relative min-w-0 overflow-x-auto">
        <h2 className="text-xl">
          {nameOf(side.panel)}, {faceWords(side.face, panel)} up
        </h2>
        <p className="text-soft">
          {total > 1 && side.copies.length < total
            ? `Number ${side.copies.map((copy) => copy + 1).join(', ')} of ${total} alike. `
            : total > 1 && `All ${total} alike. `}
          {typeof side.face === 'string'
            ? 'Seen with this face up; a dashed line is the other face.'
            : 'The panel stands on its other edge in the vice; the upper line is its outside.'}
        </p>
        <table className="mt-2 w-full text-left">
          <thead className="text-sm text-soft">
            <tr className="border-b border-line">
              <th className="px-2">Hole</th>
              <th className="px-2">for</th>
              <th className="px-2 text-right">wide</th>
              <th className="px-2 text-right">deep</th>
              <th className="px-2 text-right">first measure</th>
              <th className="px-2 text-right">second</th>
            </tr>
          </thead>
          <tbody>
            {side.holes.map((hole, index) => (
              <HoleRow
                key={index}
                hole={hole}
                panel={panel}
                number={index + 1}
                chosen={index === shown}
                onChoose={() => setChosen(index)}
                nameOf={nameOf}
              />
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

const holesWord = (count: number): string => `${count} ${count === 1 ? 'hole' : 'holes'}`;

function BitList({
  bits,
  chosen,
  onChoose,
}: {
  bits: readonly BitHoles[];
  chosen: string;
  onChoose: (key: string) => void;
}) {
  const style = useBitStyle();
  const printed = (name: Text) => printText(name, { style });
  return (
    <ul aria-label="Bits" className="flex flex-wrap gap-2">
      <li>
        <button
          type="button"
          aria-pressed={chosen === ''}
          className={`btn min-h-11 ${chosen === '' ? 'btn-main' : ''}`}
          onClick={() => onChoose('')}
        >
          Panel by panel
        </button>
      </li>
      {bits.map(({ key, bit, count }) => (
        <li key={key}>
          <button
            type="button"
            aria-pressed={chosen === key}
            className={`btn min-h-11 ${chosen === key ? 'btn-main' : ''}`}
            onClick={() => onChoose(key)}
          >
            <span>
              {printed(bit.name)}: {holesWord(count)}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** For how many boxes a side is bored: for all of them, or for those in which the panel goes in new. */
const forAll = (side: Side, build: BuildPlan): string => {
  const most = Math.max(...side.copies.map((copy) => boxesWithNew(build, side.panel, copy)));
  if (build.mended) return most === 1 ? ' for one box' : ` for ${most} boxes`;
  return most === 1 ? '' : ` in all ${most} boxes`;
};

/** Every hole of one box, by bit or by panel, side by side. */
export function HolesTab({ built, nameOf, work }: Props & { work: BenchWork }) {
  const { box, build } = built;
  const { holes } = build;
  const bits = useMemo(() => byBit(holes, box.panels), [holes, box]);
  const all = useMemo(() => sidesOf(holes, box.panels), [holes, box]);
  const [key, setKey] = useState('');
  const [place, setPlace] = useState(0);
  const group = bits.find((each) => each.key === key);
  const sides = group?.sides ?? all;
  const now = Math.min(place, sides.length - 1);
  const go = (by: number) => setPlace(Math.max(0, Math.min(sides.length - 1, now + by)));
  const bored = (each: Side) => sideWork(each, build).every(work.isDone);
  useStepKeys(go, () => {
    const here = sides[now];
    if (here) work.tell(sideWork(here, build), true);
    go(1);
  });
  const side = sides[now];
  if (!side)
    return (
      <p className="card p-6 text-lg">
        Nothing is bored{build.mended ? ' in the new panels' : ' in this box'}.
      </p>
    );
  return (
    <section aria-label="Holes" className="card p-4">
      <BitList
        bits={bits}
        chosen={group ? key : ''}
        onChoose={(next) => {
          setKey(next);
          setPlace(0);
        }}
      />
      {group?.bit.says && (
        <p className="mt-2 rounded-md border border-line bg-white px-3 py-1.5">
          <Sentence text={group.bit.says} />
        </p>
      )}
      <div className="my-3 flex flex-wrap items-center gap-3">
        <button type="button" className="btn min-h-11" disabled={now === 0} onClick={() => go(-1)}>
          <ChevronLeft aria-hidden /> Back
        </button>
        <span className="mono text-lg">
          {now + 1} of {sides.length} sides
        </span>
        <span className="text-soft">{sides.filter(bored).length} bored</span>
        <button
          type="button"
          className="btn btn-main min-h-11"
          disabled={now === sides.length - 1}
          onClick={() => go(1)}
        >
          Next side <ChevronRight aria-hidden />
        </button>
      </div>
      <SideOnBench key={side.key} side={side} built={built} nameOf={nameOf} />
      <button
        type="button"
        aria-pressed={bored(side)}
        className={`btn mt-3 min-h-14 w-full text-xl ${bored(side) ? 'border-moss bg-moss-pale text-moss' : 'btn-main'}`}
        onClick={() => work.tell(sideWork(side, build), !bored(side))}
      >
        {bored(side) ? (
          <>
            <Check aria-hidden /> Bored{forAll(side, build)} — press if it is not
          </>
        ) : (
          <>These are bored{forAll(side, build)}</>
        )}
      </button>
      <p className="mt-3 text-sm text-soft">
        Clamp the panel over scrap before the bit goes in; eyes and lungs covered. Bore before the
        box is put together: the pilots in the second panel through the holes of the first, while
        both are clamped as they will stand. Screws sink flush with a countersink. [C]
      </p>
    </section>
  );
}
