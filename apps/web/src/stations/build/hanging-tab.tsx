import type { WaySuits } from '@spare-knot/core/building';
import { amountOf } from '@spare-knot/core/building';
import { ofWeight } from '@spare-knot/core/text';
import { Link } from 'react-router';
import { useBatch } from '../../batch/batch-context';
import { Sentence } from '../../measure/length';
import { SiteFields } from './site-fields';
import type { Built } from './use-build';

/** Sets the way: in the plan, so that layout and checks know its holes; beside it once the boards are taken. */
function useHanging() {
  const { draft, edit, locked } = useBatch();
  const chosen = draft.making.hanging ?? draft.plan.hanging;
  const choose = (way: WaySuits['way'] | null) =>
    edit((current) =>
      locked
        ? { ...current, making: { ...current.making, hanging: way } }
        : {
            ...current,
            plan: { ...current.plan, hanging: way },
            making: { ...current.making, hanging: null },
          },
    );
  return { chosen, choose, on: draft.plan.place.on };
}

function Way({
  of,
  chosen,
  known,
  onChoose,
}: {
  of: WaySuits;
  chosen: boolean;
  known: boolean;
  onChoose: () => void;
}) {
  return (
    <li className="border-b border-dotted border-line">
      <label className="flex min-h-11 items-start gap-3 py-1.5">
        <input
          type="radio"
          name="hanging"
          className="mt-1 size-5 accent-chalk"
          checked={chosen}
          onChange={onChoose}
        />
        <span>
          <span className="text-lg font-semibold">{of.name}</span>{' '}
          {known && of.against.length === 0 && (
            <span className="font-semibold text-moss">suits</span>
          )}
          <span className="block text-soft">{of.what}</span>
          {of.against.map((text, index) => (
            <span key={index} className="block text-danger">
              <Sentence text={text} />
            </span>
          ))}
        </span>
      </label>
    </li>
  );
}

/** How the box hangs: ways that suit it first, with what speaks against the others, and what the chosen one takes. */
export function HangingTab({ built: { build } }: { built: Built }) {
  const { hanging, weight, boxes } = build;
  const { siting } = hanging;
  const { chosen, choose, on } = useHanging();
  const ways = [...hanging.ways].sort((a, b) => a.against.length - b.against.length);
  return (
    <div className="grid grid-cols-[1.2fr_1fr] gap-4 max-lg:grid-cols-1">
      <section aria-label="Ways to hang it" className="card p-4">
        <h2 className="text-lg">How does it hang?</h2>
        <p className="text-soft">
          {on === null
            ? 'Which of them suits depends on what it hangs on, which is said at'
            : 'Where it hangs is said at'}{' '}
          <Link className="link" to="../box">
            Box
          </Link>
          ; it weighs <Sentence text={[ofWeight(weight.withFixings)]} /> when it is soaked.
        </p>
        <ul className="mt-2">
          {ways.map((way) => (
            <Way
              key={way.way}
              of={way}
              chosen={chosen === way.way}
              known={on !== null}
              onChoose={() => choose(way.way)}
            />
          ))}
        </ul>
        {chosen !== null && (
          <button type="button" className="btn mt-3" onClick={() => choose(null)}>
            Leave it open
          </button>
        )}
      </section>
      <section aria-label="What hangs it" className="card content-start p-4">
        <h2 className="text-lg">
          {hanging.parts.length > 0 ? `Hung by ${hanging.name}` : 'Nothing is chosen yet'}
        </h2>
        <table className="mt-1 w-full">
          <tbody>
            {hanging.parts.map((part) => (
              <tr key={part.id} className="border-b border-dotted border-line align-top">
                <td className="py-1.5 pr-2">
                  <span className="font-semibold">
                    <Sentence text={part.name} />
                  </span>
                  <span className="block text-sm text-soft">
                    <Sentence text={part.why} />
                  </span>
                </td>
                <td className="mono py-1.5 text-right whitespace-nowrap">
                  <Sentence text={amountOf(part, boxes)} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {hanging.holes.length > 0 && (
          <p className="mt-2">
            {hanging.holes.length} holes in the back for it: they stand among the{' '}
            <Link className="link" to="?at=holes">
              holes
            </Link>
            .
          </p>
        )}
        <SiteFields way={chosen} />
        <h3 className="mt-3 text-base font-semibold">Where</h3>
        {siting.wants.length === 0 && (
          <p className="text-soft">The plan names no animal that the table knows.</p>
        )}
        <ul className="mt-1 list-disc pl-5">
          {siting.against.map((text, index) => (
            <li key={`against ${index}`} className="text-danger">
              <strong>Look: </strong>
              <Sentence text={text} />
            </li>
          ))}
          {siting.wants.map((text, index) => (
            <li key={index}>
              <Sentence text={text} />
            </li>
          ))}
        </ul>
        <h3 className="mt-3 text-base font-semibold">Lifting and fixing</h3>
        <ul className="mt-1 list-disc pl-5">
          {hanging.notes.map((text, index) => (
            <li key={index}>
              <Sentence text={text} />
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
