import type { Animal } from '@spare-knot/core/animals';
import type { Check } from '@spare-knot/core/checks';
import type { Family } from '@spare-knot/core/families';
import type { Ticks } from '@spare-knot/core/measure';
import type { BoxPlan } from '@spare-knot/core/plan';
import type { Text } from '@spare-knot/core/text';

import { Tabs } from 'radix-ui';
import { lazy, type ReactNode, Suspense } from 'react';
import type { BatchOnBench } from '../../batch/batch-context';
import { useBatch, useBatchName } from '../../batch/batch-context';
import { useWidth } from '../../board/use-width';
import { BesideTheWood } from '../../boxview/beside-the-wood';
import { Drawings } from '../../boxview/drawings';
import { PanelsFlat } from '../../boxview/panels-flat';

const SolidView = lazy(() => import('../../boxview/solid-view'));

const TABS = [
  { value: 'drawings', label: 'Drawings' },
  { value: 'panels', label: 'Panels' },
  { value: 'solid', label: 'Dry fit' },
  { value: 'beside', label: 'Beside the wood' },
] as const;

/** What is looked at: the last sound box with its family and plan, and what is wrong with the plan as it stands. */
export interface Look {
  sound: NonNullable<BatchOnBench['sound']>;
  family: Family;
  /** The plan whose sizes are edited on the drawings; the sound one while it is of another family. */
  plan: BoxPlan;
  isCurrent: boolean;
  problems: ReadonlyMap<string, Text>;
  checks: readonly Check[];
  names: ReadonlyMap<string, string>;
  animal: Animal | undefined;
  onSize: (id: string, ticks: Ticks) => void;
}

function DrawingsTab({ sound, family, plan, isCurrent, problems, onSize }: Look) {
  const { locked } = useBatch();
  const [ref, width] = useWidth<HTMLDivElement>();
  return (
    <div ref={ref} className="min-h-[400px]">
      {width > 0 && (
        <Drawings
          family={family}
          plan={plan}
          drawn={sound}
          width={width}
          height={Math.min(400, 200 + width / 3)}
          problems={problems}
          locked={locked || !isCurrent}
          onSize={onSize}
        />
      )}
    </div>
  );
}

function Shown({ tab, look }: { tab: (typeof TABS)[number]['value']; look: Look }): ReactNode {
  const { draft, locked } = useBatch();
  const name = useBatchName();
  const { sound, names, checks, animal, onSize } = look;
  switch (tab) {
    case 'drawings':
      return <DrawingsTab {...look} />;
    case 'panels':
      return <PanelsFlat box={sound.box} names={names} title={name} checks={checks} />;
    case 'beside':
      return (
        <BesideTheWood
          plan={sound.plan}
          box={sound.box}
          boxes={draft.boxes}
          animal={animal}
          locked={locked}
          onEntrance={(diameter) => onSize('entranceWidth', diameter)}
        />
      );
    case 'solid':
      return (
        <Suspense
          fallback={<p className="grid h-[360px] place-items-center">Fetching the solid view…</p>}
        >
          <SolidView box={sound.box} height={360} />
        </Suspense>
      );
  }
}

/** Ways to look at the box. */
export function BoxTabs({ look }: { look: Look | null }) {
  return (
    <Tabs.Root defaultValue="drawings">
      <Tabs.List className="flex flex-wrap gap-1" aria-label="Ways to look at the box">
        {TABS.map(({ value, label }) => (
          <Tabs.Trigger
            key={value}
            value={value}
            className="min-h-8 rounded-md border border-transparent px-3 font-semibold text-chalk data-[state=active]:border-chalk data-[state=active]:bg-chalk-pale"
          >
            {label}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {TABS.map(({ value }) => (
        <Tabs.Content key={value} value={value}>
          {look ? <Shown tab={value} look={look} /> : <div className="min-h-[400px]" />}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
