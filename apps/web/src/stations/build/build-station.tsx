import { Tabs } from 'radix-ui';
import { Link, useSearchParams } from 'react-router';
import { useBatch } from '../../batch/batch-context';
import { PressWord } from '../../batch/press-word';
import { Sentence } from '../../measure/length';
import { ShopPage, ShopSwitch, useScreenAwake, useShopMode } from '../../ui/shop-mode';
import { AssemblyTab } from './assembly-tab';
import { DryFitTab } from './dry-fit-tab';
import { FinishTab } from './finish-tab';
import { HangingTab } from './hanging-tab';
import { HolesTab } from './holes-tab';
import { TimeTab } from './time-tab';
import { useBatchBuild } from './use-batch-build';
import { type BenchWork, useBenchWork } from './use-bench-work';
import type { Built } from './use-build';

const TABS = [
  { value: 'holes', label: 'Holes' },
  { value: 'dry-fit', label: 'Dry fit' },
  { value: 'assembly', label: 'Assembly' },
  { value: 'finish', label: 'Screws, glue, finish' },
  { value: 'time', label: 'Time and cost' },
  { value: 'hanging', label: 'Hanging' },
] as const;
type Tab = (typeof TABS)[number]['value'];
type Problem = Built['build']['problems'][number];

/** Where what is wrong is looked at; a stop stands everywhere. */
const ABOUT: Readonly<Partial<Record<Problem['id'], Tab>>> = {
  bit: 'holes',
  unheld: 'assembly',
  hanging: 'hanging',
};

/** What is wrong with the build plan, the worst first. */
function Problems({ built: { build }, tab }: { built: Built; tab: Tab }) {
  const { problems } = build;
  const wrong = problems.filter(
    ({ severity, id }) =>
      severity === 'stop' || (severity === 'warn' && (ABOUT[id] ?? tab) === tab),
  );
  if (wrong.length === 0) return null;
  return (
    <ul aria-label="What is wrong" className="mt-3 grid gap-1">
      {wrong.map(({ severity, text }, index) => (
        <li
          key={index}
          className={
            severity === 'stop'
              ? 'rounded-md border border-danger bg-danger-pale px-3 py-1.5'
              : 'rounded-md border border-warn bg-warn-pale px-3 py-1.5'
          }
        >
          <strong>{severity === 'stop' ? 'Stop: ' : 'Look: '}</strong>
          <Sentence text={text} />
        </li>
      ))}
    </ul>
  );
}

function Shown({
  tab,
  built,
  nameOf,
  busy,
  work,
}: {
  tab: Tab;
  built: Built;
  work: BenchWork;
  nameOf: (id: string) => string;
  busy: boolean;
}) {
  switch (tab) {
    case 'holes':
      return <HolesTab built={built} nameOf={nameOf} work={work} />;
    case 'dry-fit':
      return <DryFitTab built={built} nameOf={nameOf} />;
    case 'assembly':
      return <AssemblyTab built={built} nameOf={nameOf} busy={busy} work={work} />;
    case 'finish':
      return <FinishTab built={built} work={work} />;
    case 'time':
      return <TimeTab built={built} work={work} />;
    case 'hanging':
      return <HangingTab built={built} />;
  }
}

/** From sawn panels to boxes that hang: holes, dry fit, assembly, finish, hanging. */
export function BuildStation() {
  const { batch, sound, built: now } = useBatch();
  const work = useBenchWork(batch.id);
  const [isShop, setShop] = useShopMode();
  useScreenAwake();
  const { answer, busy, trouble, nameOf } = useBatchBuild();
  const [params, setParams] = useSearchParams();
  const tab = TABS.find(({ value }) => value === params.get('at'))?.value ?? 'holes';
  if (!sound)
    return (
      <p className="card mt-4 max-w-2xl p-6 text-lg">
        There is no sound box yet.{' '}
        <Link className="link" to="../box">
          Set it right first
        </Link>
        .
      </p>
    );
  return (
    <ShopPage label="Building" isShop={isShop}>
      {!now.ok && (
        <p className="mb-3 rounded-md border border-warn bg-warn-pale px-3 py-1.5">
          The plan as it stands gives no box: this is the last one that was sound.
        </p>
      )}
      {trouble && (
        <p role="alert" className="mb-3 rounded-md border border-danger bg-danger-pale px-3 py-1.5">
          {trouble}
        </p>
      )}
      {answer && !answer.ok && (
        <ul
          role="alert"
          className="mb-3 rounded-md border border-danger bg-danger-pale px-3 py-1.5"
        >
          {answer.refusals.map(({ message }, index) => (
            <li key={index}>
              <Sentence text={message} />
            </li>
          ))}
        </ul>
      )}
      {answer?.ok && <Problems built={answer} tab={tab} />}
      <Tabs.Root
        value={tab}
        onValueChange={(value) => setParams({ at: value }, { replace: true })}
        className="mt-3"
      >
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <Tabs.List className="flex flex-wrap gap-1" aria-label="Building">
            {TABS.map(({ value, label }) => (
              <Tabs.Trigger
                key={value}
                value={value}
                className="min-h-11 rounded-md border border-transparent px-4 text-lg font-semibold text-chalk data-[state=active]:border-chalk data-[state=active]:bg-chalk-pale"
              >
                {label}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <div className="ml-auto flex items-center gap-3">
            {busy ? (
              <p role="status" className="text-soft">
                working it out…
              </p>
            ) : (
              <PressWord keeping={work.keeping} kept="" />
            )}
            <ShopSwitch isShop={isShop} onChange={setShop} />
          </div>
        </div>
        <Tabs.Content value={tab} className="mt-3">
          {answer?.ok ? (
            <Shown tab={tab} built={answer} nameOf={nameOf} busy={busy} work={work} />
          ) : (
            <p className="p-8">Working out the build plan…</p>
          )}
        </Tabs.Content>
      </Tabs.Root>
    </ShopPage>
  );
}
