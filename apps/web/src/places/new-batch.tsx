import { findWood } from '@spare-knot/core/advice';
import {
  type Animal,
  FAMILY_NAMES,
  findAnimals,
  REGION_NAMES,
  spokenName,
} from '@spare-knot/core/animals';
import { boardOffered, type NewBatch, type Supply } from '@spare-knot/core/api';
import { animalsOf, type Family, familyById } from '@spare-knot/core/families';
import { type BoxPlan, startPlan } from '@spare-knot/core/plan';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Search } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { client } from '../api/client';
import { useNewBatchFields } from '../batch/use-new-batch-fields';
import { AnimalFacts } from '../boxview/animal-facts';
import { FileButton } from '../ui/file-button';
import { HeaderEnd } from '../ui/header-end';
import { messageOf } from '../ui/message-of';
import { useNotice } from '../ui/notice';
import { STANDARD_WOOD } from '../wood/standard-wood';
import { SheetCard, SheetFits, useSheet } from './from-sheet';

/** `6 boxes for black-capped chickadee`. */
const calledFor = (animals: readonly Animal[], boxes: number): string =>
  `${boxes === 1 ? 'A box' : `${boxes} boxes`} for ${animals.map(spokenName).join(' and ')}`;

/** Begins a batch and goes to its box. */
function useStart() {
  const rack = useQuery({ queryKey: ['rack'], queryFn: client.rack });
  const yard = useQuery({ queryKey: ['yard'], queryFn: client.yard });
  const fields = useNewBatchFields();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const say = useNotice();
  const [busy, setBusy] = useState(false);
  const begin = async (batch: Pick<NewBatch, 'name' | 'boxes' | 'plan'>, supply: Supply) => {
    setBusy(true);
    try {
      const kept = await client.addBatch({
        ...batch,
        ...fields(supply),
      });
      queries.setQueryData(['batch', kept.id], kept);
      void queries.invalidateQueries({ queryKey: ['batches'] });
      navigate(`/batches/${kept.id}/box`);
    } catch (error) {
      say(messageOf(error), { tone: 'danger' });
      setBusy(false);
    }
  };
  const boards = rack.data ?? [];
  const offers = (yard.data ?? []).filter(({ price }) => price !== null);
  // Without a rack there is a shop: the box is planned in what can be bought.
  const buys = boards.length === 0 && offers.length > 0;
  const supply = buys ? 'rack-first' : 'rack';
  const start = (family: Family, animal: Animal, boxes: number) => {
    const name = calledFor([animal], boxes);
    const wood = buys ? offers.map(boardOffered) : boards;
    const plan = findWood(startPlan(family, animal, STANDARD_WOOD), wood);
    return begin({ name, boxes, plan }, supply);
  };
  /** A plan that is there already, in the wood that it says. */
  const startFrom = (plan: BoxPlan, name: string, boxes: number) =>
    begin({ name, boxes, plan }, supply);
  return { busy, start, startFrom };
}

function AnimalRow({
  animal,
  isChosen,
  onChoose,
}: {
  animal: Animal;
  isChosen: boolean;
  onChoose: () => void;
}) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={isChosen}
        className={`grid w-full grid-cols-[1fr_9rem_8.5rem] items-baseline gap-3 max-sm:grid-cols-2 max-sm:gap-x-3 max-sm:gap-y-0 border-b border-line px-2 py-1.5 text-left hover:bg-chalk-pale ${isChosen ? 'bg-chalk-pale font-semibold' : ''}`}
        onClick={onChoose}
      >
        <span className="max-sm:col-span-2">
          {animal.name}{' '}
          <span className="text-sm font-normal text-soft italic">{animal.scientific}</span>
        </span>
        <span className="text-sm font-normal">{REGION_NAMES[animal.region]}</span>
        <span className="text-sm font-normal">{FAMILY_NAMES[animal.family]}</span>
      </button>
    </li>
  );
}

/** The table of animals, to search and to choose from. */
function AnimalList({
  chosen,
  onChoose,
}: {
  chosen: Animal | null;
  onChoose: (animal: Animal) => void;
}) {
  const [text, setText] = useState('');
  const found = useMemo(() => findAnimals(text), [text]);
  return (
    <section className="card p-4" aria-label="Animals">
      <label className="flex items-center gap-2 rounded-md border-[1.5px] border-[#b9ad93] bg-white px-3 focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-chalk">
        <Search size={18} aria-hidden />
        <span className="sr-only">Search animals</span>
        <input
          className="min-h-10 flex-1 outline-none"
          placeholder="chickadee, owl, Europe, bat…"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p className="mt-2 text-sm text-soft" aria-live="polite">
        {found.length === 0
          ? 'No animal of the table has these words. Try fewer.'
          : `${found.length} of the table`}
      </p>
      <ul className="mt-2 max-h-[calc(100vh-270px)] overflow-y-auto pr-1">
        {found.map((animal) => (
          <AnimalRow
            key={animal.id}
            animal={animal}
            isChosen={chosen?.id === animal.id}
            onChoose={() => onChoose(animal)}
          />
        ))}
      </ul>
    </section>
  );
}

/** How many boxes; the batch begins when it is sent. */
function HowMany({ busy, onStart }: { busy: boolean; onStart: (boxes: number) => void }) {
  const [boxes, setBoxes] = useState('6');
  const count = Number(boxes);
  const isRight = Number.isInteger(count) && count >= 1 && count <= 1000;
  return (
    <form
      className="mt-5 border-t border-line pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (isRight) onStart(count);
      }}
    >
      <label className="block">
        <span className="label">How many boxes</span>
        <input
          className="field mono mt-1 block w-24"
          inputMode="numeric"
          value={boxes}
          aria-invalid={!isRight}
          onChange={(event) => setBoxes(event.target.value)}
        />
      </label>
      {!isRight && (
        <p role="alert" className="text-sm text-danger">
          A whole number from 1 to 1000.
        </p>
      )}
      <button type="submit" className="btn btn-main mt-4" disabled={busy || !isRight}>
        {busy ? 'Starting…' : 'Draw the box'}
      </button>
    </form>
  );
}

/** A plan out of a file, or why it cannot be read. */
interface OpenedPlan {
  name: string;
  read: Awaited<ReturnType<typeof openPlan>>;
}

/** The reader comes when a file does. */
const openPlan = async (text: string) =>
  (await import('@spare-knot/core/exchange')).readBoxPlan(text);

/** `Two wrens.plan.json` is called Two wrens. */
const calledAfter = (file: string): string =>
  file.replace(/(\.plan)?\.json$/i, '').slice(0, 120) || 'From a plan file';

/** What a plan file says, and what was filled in or could not be read of it. */
function PlanFromFile({
  opened: { name, read },
  busy,
  onStart,
}: {
  opened: OpenedPlan;
  busy: boolean;
  onStart: (plan: BoxPlan, boxes: number) => void;
}) {
  const told = read.ok ? read.value.notes : read.problems;
  const plan = read.ok ? read.value.plan : null;
  const kind = plan && familyById(plan.family);
  return (
    <>
      <h2 className="text-xl">{name}</h2>
      {plan ? (
        <p className="mt-1">
          {kind?.name}, for{' '}
          {animalsOf(plan).map(spokenName).join(' and ') || 'nobody in particular'}.
        </p>
      ) : (
        <p role="alert" className="mt-1 font-semibold text-danger">
          This file cannot be read as a box plan. Nothing was begun.
        </p>
      )}
      {told.length > 0 && (
        <ul className="mt-2 border-l-4 border-warn pl-2 text-sm" aria-label="Said of the file">
          {told.map(({ path, message }) => (
            <li key={`${path} ${message}`}>
              {path && <strong>{path}: </strong>}
              {message}
            </li>
          ))}
        </ul>
      )}
      {plan && <HowMany busy={busy} onStart={(boxes) => onStart(plan, boxes)} />}
    </>
  );
}

/** A batch that begins with a sheet of panel sizes. */
function BeginFromSheet({
  chosen,
  busy,
  onStart,
}: {
  chosen: Animal | null;
  busy: boolean;
  onStart: (plan: BoxPlan, boxes: number) => void;
}) {
  const sheet = useSheet(chosen);
  return (
    <div className="mt-4 grid grid-cols-[1fr_460px] gap-6 max-lg:grid-cols-1">
      <SheetCard sheet={sheet} />
      <aside className="card self-start p-5">
        <SheetFits sheet={sheet}>
          {(plan) => <HowMany busy={busy} onStart={(boxes) => onStart(plan, boxes)} />}
        </SheetFits>
      </aside>
    </div>
  );
}

/** How a batch begins. */
function Beginnings({
  fromSheet,
  onSheet,
  onOpened,
}: {
  fromSheet: boolean;
  onSheet: () => void;
  onOpened: (opened: OpenedPlan) => void;
}) {
  return (
    <div className="flex flex-wrap gap-2">
      <button type="button" className="btn" aria-pressed={fromSheet} onClick={onSheet}>
        {fromSheet ? 'From an animal' : 'From a sheet of sizes'}
      </button>
      <FileButton
        label="Open a plan file"
        of="Box plan file"
        accept=".json,application/json"
        onText={(text, name) =>
          void openPlan(text).then((read) => onOpened({ name: calledAfter(name), read }))
        }
      />
    </div>
  );
}

/** Who is it for, and how many: a batch begins with the animal, with a sheet of panel sizes, or with a plan that is there already. */
export function NewBatchPage() {
  const [chosen, setChosen] = useState<Animal | null>(null);
  const [opened, setOpened] = useState<OpenedPlan | null>(null);
  const [fromSheet, setFromSheet] = useState(false);
  const { busy, start, startFrom } = useStart();
  const family = chosen && familyById(chosen.family);
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6">
      <HeaderEnd />
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl">Start a batch</h1>
          <p className="text-soft">
            Who is it for? The animal sets the entrance, the floor and the height.
          </p>
        </div>
        <Beginnings
          fromSheet={fromSheet}
          onSheet={() => setFromSheet(!fromSheet)}
          onOpened={(plan) => {
            setFromSheet(false);
            setOpened(plan);
          }}
        />
      </div>
      {fromSheet && (
        <BeginFromSheet
          chosen={chosen}
          busy={busy}
          onStart={(plan, boxes) => void startFrom(plan, calledFor(animalsOf(plan), boxes), boxes)}
        />
      )}
      <div hidden={fromSheet} className="mt-4">
        <div className="grid grid-cols-[1fr_380px] gap-6 max-lg:grid-cols-1">
          <AnimalList
            chosen={chosen}
            onChoose={(animal) => {
              setOpened(null);
              setChosen(animal);
            }}
          />
          <aside className="card self-start p-5">
            {opened ? (
              <PlanFromFile
                opened={opened}
                busy={busy}
                onStart={(plan, boxes) => void startFrom(plan, opened.name, boxes)}
              />
            ) : (
              <>
                <h2 className="text-xl">{chosen ? chosen.name : 'Choose an animal'}</h2>
                {chosen ? (
                  <AnimalFacts animal={chosen} />
                ) : (
                  <p className="mt-2 text-soft">
                    Its entrance, floor and height are shown here, each with where the figure comes
                    from. Or open a plan that you or somebody else has saved.
                  </p>
                )}
                {chosen && family && (
                  <HowMany busy={busy} onStart={(boxes) => void start(family, chosen, boxes)} />
                )}
              </>
            )}
          </aside>
        </div>
      </div>
    </main>
  );
}
