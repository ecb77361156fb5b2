import { AIDS } from '@spare-knot/core/exchange';
import { useQuery } from '@tanstack/react-query';
import { Tabs } from 'radix-ui';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { client } from '../api/client';
import { ListTable } from '../lists/list-table';
import { BrokenBoxes } from '../repairs/broken-boxes';
import { Bin } from '../spares/bin';
import { Rounds } from '../spares/rounds';
import { Scraps } from '../spares/scraps';
import { HeaderEnd } from '../ui/header-end';
import { PlaceTabs } from '../ui/place-tabs';
import { Trouble } from '../ui/trouble';

const TABS = [
  { value: 'scraps', label: 'Scraps' },
  { value: 'bin', label: 'Bin of panels' },
  { value: 'today', label: 'Put together today' },
  { value: 'broken', label: 'Broken boxes' },
  { value: 'aids', label: 'Templates and jigs' },
] as const;

/** What is kept beside whole boards: scraps and what they could become, panels made ahead, boxes that are broken, templates and jigs. */
export function Spares() {
  const plans = useQuery({ queryKey: ['plans'], queryFn: client.plans });
  const [params, setParams] = useSearchParams();
  const tab = TABS.find(({ value }) => value === params.get('at'))?.value ?? 'scraps';
  // A batch that mends is of a plan that others build whole.
  const known = useMemo(
    () => plans.data?.plans.filter(({ isMending }) => !isMending),
    [plans.data],
  );
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6 max-sm:px-3">
      <HeaderEnd />
      <h1 className="text-3xl">Spares</h1>
      <PlaceTabs
        label="Spares"
        tabs={TABS}
        value={tab}
        onChange={(value) => setParams({ at: value }, { replace: true })}
      >
        <Tabs.Content value="scraps">
          <Scraps />
        </Tabs.Content>
        <Tabs.Content value="broken">
          <BrokenBoxes />
        </Tabs.Content>
        <Tabs.Content value="aids">
          <ListTable list={AIDS} />
        </Tabs.Content>
        <Tabs.Content value="bin">{known && <Bin plans={known} />}</Tabs.Content>
        <Tabs.Content value="today">{known && <Rounds plans={known} />}</Tabs.Content>
        {(tab === 'bin' || tab === 'today') && plans.isError && (
          <Trouble error={plans.error} retry={() => void plans.refetch()} />
        )}
      </PlaceTabs>
    </main>
  );
}
