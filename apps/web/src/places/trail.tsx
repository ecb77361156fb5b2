import { Tabs } from 'radix-ui';
import { lazy, Suspense } from 'react';
import { useSearchParams } from 'react-router';
import { BoxList } from '../trail/box-list';
import { ClosedTimes } from '../trail/closed-times';
import { DueList } from '../trail/due-list';
import { useTrail } from '../trail/use-trail';
import { WaitingVisits } from '../trail/waiting-visits';
import { HeaderEnd } from '../ui/header-end';
import { PlaceTabs } from '../ui/place-tabs';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';

const PlanMap = lazy(async () => ({ default: (await import('../trail/plan-map')).PlanMap }));
const Winter = lazy(async () => ({ default: (await import('../trail/winter')).Winter }));
const Season = lazy(async () => ({ default: (await import('../trail/season')).Season }));

const TABS = [
  { value: 'due', label: 'To visit' },
  { value: 'boxes', label: 'Boxes' },
  { value: 'plan', label: 'Plan' },
  { value: 'season', label: 'Season' },
  { value: 'winter', label: 'Next winter' },
] as const;

/** The boxes that are out: which to visit next and in what order, where they hang, what came of them. */
export function Trail() {
  const trail = useTrail();
  const { query, boxes } = trail;
  const [params, setParams] = useSearchParams();
  const tab = TABS.find(({ value }) => value === params.get('at'))?.value ?? 'due';
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6 max-sm:px-3">
      <HeaderEnd />
      <h1 className="text-3xl">Trail</h1>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list="trail" />
      <UnreadableHere list="sketches" />
      <WaitingVisits boxes={boxes} />
      <PlaceTabs
        label="Trail"
        tabs={TABS}
        value={tab}
        onChange={(value) => setParams({ at: value }, { replace: true })}
      >
        {query.isPending && <p className="mt-4">Looking along the trail…</p>}
        <Tabs.Content value="due">
          {query.data && <DueList boxes={boxes} />}
          <ClosedTimes />
        </Tabs.Content>
        <Tabs.Content value="boxes">{query.data && <BoxList trail={trail} />}</Tabs.Content>
        <Tabs.Content value="plan">
          {query.data && (
            <Suspense fallback={<p className="mt-4">Opening the plan…</p>}>
              <PlanMap boxes={boxes} />
            </Suspense>
          )}
        </Tabs.Content>
        <Tabs.Content value="season">
          <Suspense fallback={<p className="mt-4">Opening the charts…</p>}>
            <Season />
          </Suspense>
        </Tabs.Content>
        <Tabs.Content value="winter">
          <Suspense fallback={<p className="mt-4">Counting…</p>}>
            <Winter />
          </Suspense>
        </Tabs.Content>
      </PlaceTabs>
    </main>
  );
}
