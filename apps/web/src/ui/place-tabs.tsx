import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';

/** The parts of a place, one shown at a time; the page puts a `Tabs.Content` for each inside. */
export function PlaceTabs({
  label,
  tabs,
  value,
  onChange,
  children,
}: {
  label: string;
  tabs: readonly { value: string; label: string }[];
  value: string;
  onChange: (value: string) => void;
  children: ReactNode;
}) {
  return (
    <Tabs.Root value={value} onValueChange={onChange} className="mt-3">
      <Tabs.List className="flex flex-wrap gap-1" aria-label={label}>
        {tabs.map((tab) => (
          <Tabs.Trigger
            key={tab.value}
            value={tab.value}
            className="min-h-11 rounded-md border border-transparent px-4 text-lg font-semibold text-chalk data-[state=active]:border-chalk data-[state=active]:bg-chalk-pale max-sm:px-2.5 max-sm:text-base"
          >
            {tab.label}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {children}
    </Tabs.Root>
  );
}
