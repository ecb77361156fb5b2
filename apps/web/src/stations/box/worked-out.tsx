import { printAngle } from '@spare-knot/core/measure';
import type { Derived } from '@spare-knot/core/panels';

import { Popover } from 'radix-ui';
import { Length, Sentence } from '../../measure/length';

/** Why a value is what it is, when asked. */
function Why({ derived: { label, why } }: { derived: Derived }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className="min-h-7 px-1.5 text-sm font-semibold text-chalk underline underline-offset-3"
        aria-label={`Why ${label.toLowerCase()}?`}
      >
        why?
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          className="z-40 max-w-80 rounded-lg bg-forest p-3 text-white shadow-lg"
          sideOffset={4}
        >
          <p className="font-semibold">{label}</p>
          <p>
            <Sentence text={why} />
          </p>
          <Popover.Arrow className="fill-forest" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Values that follow from the sizes, each with its reason. */
export function WorkedOut({ derived }: { derived: readonly Derived[] }) {
  return (
    <ul className="mt-1">
      {derived.map((each) => (
        <li
          key={each.id}
          className="flex items-center justify-between gap-2 border-b border-dotted border-line"
        >
          <span>{each.label}</span>
          <span className="flex items-center gap-1">
            <span className="mono font-semibold">
              {each.kind === 'angle' ? printAngle(each.value) : <Length ticks={each.value} unit />}
            </span>
            <Why derived={each} />
          </span>
        </li>
      ))}
    </ul>
  );
}
