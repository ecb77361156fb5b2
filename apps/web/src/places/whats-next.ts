import { animalById } from '@spare-knot/core/animals';
import type { BatchSummary, BoxRecord, RepairRecord } from '@spare-knot/core/api';
import { type Day, nextUpBy } from '@spare-knot/core/building';
import { printMoney } from '@spare-knot/core/measure';
import type { DueBox } from '../trail/use-due';

/** One thing to do next, and the day by which; null where no day asks for it. */
export interface NextThing {
  key: string;
  by: Day | null;
  what: string;
  why: string;
  to: string;
  label: string;
}

export interface NextStep {
  to: string;
  label: string;
  why: string;
}

const layOut = (why: string): NextStep => ({ to: 'layout', label: 'Lay it out', why });

/** What a batch wants done next. */
export function nextStep({ state, picture, isMending }: BatchSummary): NextStep {
  if (state.is === 'unreadable') return { to: 'box', label: 'Look at it', why: state.why };
  if (state.is === 'taken')
    return { to: 'saw', label: 'Saw and build', why: 'Boards are taken: mark, saw and build.' };
  if (!picture)
    return { to: 'box', label: 'Mend the box', why: 'It cannot be built as it stands.' };
  if (state.is === 'planned')
    return layOut(
      isMending ? 'Next, the wood of its panels.' : 'The box is sound; next, its boards.',
    );
  if (state.stale) return layOut('The box or the boards have changed since it was laid out.');
  const boards = `${state.boards} ${state.boards === 1 ? 'board' : 'boards'}`;
  return {
    to: 'layout',
    label: 'Take the boards',
    why: `Laid out on ${boards} for ${printMoney(state.cost)}.`,
  };
}

const earliest = (days: readonly (Day | null)[]): Day | null =>
  days.flatMap((day) => day ?? []).sort()[0] ?? null;

const ownDay = (id: string | null, today: Day): Day | null => {
  const animal = id === null ? undefined : animalById(id);
  return animal ? nextUpBy(animal, today) : null;
};

/** The day by which a batch is to be up: the maker’s, else the first of its animals’. */
const batchUpBy = ({ upBy, animals }: BatchSummary, today: Day): Day | null =>
  upBy ?? earliest(animals.map((id) => ownDay(id, today)));

function batchThing(batch: BatchSummary, today: Day): NextThing {
  const { to, label, why } = nextStep(batch);
  return {
    key: batch.id,
    by: batchUpBy(batch, today),
    what: batch.name,
    why,
    to: `/batches/${batch.id}/${to}`,
    label,
  };
}

/** How many days ahead a walk is called up. */
export const WEEK = 7;

function walkThing(due: readonly DueBox[], today: Day, week: Day): NextThing[] {
  const soon = due.filter(({ due: { on } }) => on <= week);
  if (soon.length === 0) return [];
  const late = soon.filter(({ due: { on } }) => on < today).length;
  return [
    {
      key: 'walk',
      by: earliest(soon.map((each) => each.due.on)),
      what: `${soon.length} ${soon.length === 1 ? 'box is' : 'boxes are'} to be visited within a week`,
      why: late > 0 ? `${late} of them late.` : 'In the shortest order, with what to carry.',
      to: '/trail',
      label: 'Plan the walk',
    },
  ];
}

function repairThing(
  repairs: readonly RepairRecord[],
  boxes: readonly BoxRecord[],
  today: Day,
): NextThing[] {
  const free = repairs.filter(({ batch }) => batch === null);
  if (free.length === 0) return [];
  const own = new Set(free.map(({ box }) => box));
  const animals = boxes.filter(({ id }) => own.has(id)).map(({ animal }) => animal);
  return [
    {
      key: 'repairs',
      by: earliest(animals.map((id) => ownDay(id, today))),
      what: `${own.size} ${own.size === 1 ? 'box wants' : 'boxes want'} mending`,
      why: 'Before the season: panels out of the bin, of offcuts, or new.',
      to: '/spares?at=broken',
      label: 'Mend them',
    },
  ];
}

/** All that is to be done over batches, walks and repairs, by date; what no day asks for comes last, what is done is not there. */
export function whatsNext(
  {
    batches,
    due,
    repairs,
    boxes,
  }: {
    batches: readonly BatchSummary[];
    due: readonly DueBox[];
    repairs: readonly RepairRecord[];
    boxes: readonly BoxRecord[];
  },
  today: Day,
  week: Day,
): NextThing[] {
  const things = [
    ...walkThing(due, today, week),
    ...repairThing(repairs, boxes, today),
    ...batches.filter(({ isDone }) => !isDone).map((batch) => batchThing(batch, today)),
  ];
  // A stable sort: what has one day stays in the order of the list.
  const never = '9999-12-31';
  return things.sort((a, b) => {
    const [first, second] = [a.by ?? never, b.by ?? never];
    if (first === second) return 0;
    return first < second ? -1 : 1;
  });
}
