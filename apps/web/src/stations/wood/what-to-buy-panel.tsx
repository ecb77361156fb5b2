import {
  type BuyQuestion,
  type WayToBuy,
  type WhatToBuy,
  type WoodGiven,
  woodGroups,
} from '@spare-knot/core/advice';
import { type LayoutWishes, NO_WISHES, woodAsked } from '@spare-knot/core/api';
import { familyById } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { printMoney } from '@spare-knot/core/measure';
import { materialName } from '@spare-knot/core/wood';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useBatch, useReady } from '../../batch/batch-context';
import { sameValue } from '../../batch/change-paths';
import type { WoodOfBatch } from '../../batch/use-wood';
import { Length } from '../../measure/length';
import { AskWorker } from '../../workers/ask-worker';
import { type AnswerWorker, OneAnswer } from '../../workers/one-answer';
import { sameRoles } from './role-groups';

const hire = () =>
  new Worker(new URL('../../workers/buy.worker.ts', import.meta.url), {
    type: 'module',
  }) as AnswerWorker<WhatToBuy>;

/** Ways shown at once. */
const SHOWN = 5;

/** What to buy for the batch as it stands: the rack first, unless all is to be bought. */
function useQuestion({ rack, offers }: WoodOfBatch): BuyQuestion {
  const { draft } = useBatch();
  const ready = useReady();
  const { plan, boxes, saw, wishes } = draft;
  const { forbidden, crosscut } = wishes;
  const supply = wishes.supply === 'bought' ? 'bought' : 'rack-first';
  // The same wood as long as nothing but the plan changes.
  const wood = useMemo(() => {
    const asked: LayoutWishes = { ...NO_WISHES, supply, forbidden, crosscut };
    return woodAsked({ saw, wishes: asked }, rack, offers);
  }, [supply, forbidden, crosscut, saw, rack, offers]);
  return useMemo(() => ({ plan, boxes, saw, ready, ...wood }), [plan, boxes, saw, ready, wood]);
}

/** What the way gives to which panels, in words. */
function Woods({
  woods,
  nameOf,
}: {
  woods: readonly WoodGiven[];
  nameOf: (role: string) => string;
}) {
  const { draft } = useBatch();
  const groups = woodGroups(
    must(familyById(draft.plan.family), draft.plan.family),
    draft.plan.choices,
  );
  const spoken = (roles: readonly string[]) => {
    if (woods.length === 1) return 'Every panel';
    const isBody = groups[0] && sameRoles(groups[0], roles);
    return isBody ? 'Body' : roles.map(nameOf).join(', ');
  };
  return woods.map(({ roles, wood }) => (
    <span key={roles.join()} className="block">
      {spoken(roles)}: <Length ticks={wood.thickness} unit /> {materialName(wood.material)}
    </span>
  ));
}

/** What speaks against a way beside its price. */
function drawbackWords(way: WayToBuy, best: WayToBuy, nameOf: (role: string) => string): string[] {
  const more = way.warnings - best.warnings;
  return [
    ...(more > 0 ? [`breaks ${more} more ${more === 1 ? 'rule' : 'rules'}`] : []),
    ...(way.glued.length > 0
      ? [
          `${way.glued.map((id) => nameOf(id).toLowerCase()).join(', ')} glued up of narrower boards`,
        ]
      : []),
  ];
}

function Way({
  way,
  best,
  wood,
  nameOf,
  isPlanned,
  onTake,
}: {
  way: WayToBuy;
  best: WayToBuy;
  wood: WoodOfBatch;
  nameOf: (role: string) => string;
  /** Whether the box is planned in this wood already. */
  isPlanned: boolean;
  onTake: () => void;
}) {
  const against = drawbackWords(way, best, nameOf);
  const names = way.list.map(({ stock, count }) => {
    const name = wood.offers.find(({ id }) => id === stock)?.name ?? 'a board that is gone';
    return `${count} × ${name}`;
  });
  return (
    <li
      className={`rounded-md border p-2 text-[0.9rem] ${way === best ? 'border-2 border-moss bg-moss-pale' : 'border-line bg-white'}`}
    >
      <span className="flex items-baseline justify-between gap-2">
        <strong>{way === best ? 'Costs least' : 'Or'}</strong>
        <span className="mono font-semibold">{printMoney(way.layout.cost)}</span>
      </span>
      <Woods woods={way.woods} nameOf={nameOf} />
      <span className="block text-sm text-soft">{names.join(', ') || 'nothing to buy'}</span>
      {against.length > 0 && (
        <span className="block text-sm font-semibold text-warn">But: {against.join('; ')}</span>
      )}
      {isPlanned ? (
        <span className="block min-h-7 font-semibold text-moss">✓ planned so</span>
      ) : (
        <button
          type="button"
          className="block min-h-7 font-semibold text-chalk underline underline-offset-3"
          onClick={onTake}
        >
          Plan it in this wood
        </button>
      )}
    </li>
  );
}

/** Why the first way is least, as far as that is proven. */
function Why({ answer }: { answer: WhatToBuy }) {
  const { ways, dearer, impossible, lowerBound } = answer;
  const [best] = ways;
  if (!best) return null;
  const tried = ways.length + dearer.length;
  const least = dearer.length > 0 ? Math.min(...dearer.map((each) => each.lowerBound)) : 0;
  return (
    <p className="mt-2 text-sm text-soft">
      {tried} ways to give walls, roof and single panels their wood were tried
      {impossible > 0 && `; of ${impossible} more some panel finds no board`}.{' '}
      {lowerBound >= best.layout.cost
        ? 'Proven: none of them with as few drawbacks can cost less.'
        : `None of them with as few drawbacks can cost less than ${printMoney(lowerBound)}.`}{' '}
      {dearer.length > 0 &&
        `${dearer.length} were not laid out, since they cost at least ${printMoney(least)} and another with no more drawbacks costs less.`}
    </p>
  );
}

/** Which wood to buy for the boxes: found in a worker when asked for. */
export function WhatToBuyPanel({
  wood,
  nameOf,
}: {
  wood: WoodOfBatch;
  nameOf: (role: string) => string;
}) {
  const { edit, locked, draft } = useBatch();
  const question = useQuestion(wood);
  const [session] = useState(() => new OneAnswer<BuyQuestion, WhatToBuy>(hire));
  const { share, answer, trouble } = useSyncExternalStore(session.subscribe, session.snapshot);
  // What was found stays while the plan is put into one of the ways; for other wood or other boxes it is of no use.
  const { boxes, saw, stock, yard } = question;
  const { family, sizes, choices } = draft.plan;
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever the question is another one
  useEffect(() => session.clear, [session, boxes, saw, stock, yard, family, sizes, choices]);
  if (locked || wood.offers.length === 0) return null;
  const best = answer?.ways[0];
  const take = (way: WayToBuy) =>
    edit((current) => ({
      ...current,
      plan: { ...current.plan, wood: way.plan.wood },
      wishes: {
        ...current.wishes,
        supply: current.wishes.supply === 'bought' ? 'bought' : 'rack-first',
      },
    }));
  return (
    <section className="card mt-3 p-3" aria-label="What to buy">
      <h2 className="text-base">What to buy</h2>
      <p className="text-sm text-soft">
        Which wood, of what the yards sell, makes these boxes at the least price?
      </p>
      <AskWorker
        share={share}
        trouble={trouble}
        press="Try the woods"
        tried="woods"
        onStart={() => session.start(question)}
        onStop={session.stop}
      />
      {answer && !best && (
        <p className="mt-2 text-sm">No wood of the yards makes this box as it is planned.</p>
      )}
      {answer && best && (
        <>
          <ul className="mt-2 grid gap-1.5" aria-live="polite">
            {answer.ways.slice(0, SHOWN).map((way) => (
              <Way
                key={JSON.stringify(way.woods)}
                way={way}
                best={best}
                wood={wood}
                nameOf={nameOf}
                isPlanned={sameValue(way.plan.wood, draft.plan.wood)}
                onTake={() => take(way)}
              />
            ))}
          </ul>
          <Why answer={answer} />
        </>
      )}
    </section>
  );
}
