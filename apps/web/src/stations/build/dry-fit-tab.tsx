import { familyById } from '@spare-knot/core/families';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { Length, Sentence } from '../../measure/length';
import { GivenUnits, useUnits } from '../../measure/units';
import { useBitStyle } from './use-bit-style';
import type { Built } from './use-build';

const MEASURES = { length: 'longer', width: 'wider', thickness: 'thicker' } as const;
const LESS = { length: 'shorter', width: 'narrower', thickness: 'thinner' } as const;

/** What a board a millimetre thinner does to the other panels. */
function Effects({ built: { effects }, nameOf }: Props) {
  const { draft } = useBatch();
  const family = familyById(draft.plan.family);
  const roleName = (role: string): string =>
    family?.roles.find(({ id }) => id === role)?.label ?? role;
  if (effects.length === 0) return null;
  return (
    <section className="card p-4">
      <h2 className="text-lg">When a board is not as thick as the plan says</h2>
      <p className="text-soft">
        A millimetre less (about 3/64 in) changes this much on other panels; measure before you saw
        them, and set the board at Wood.
      </p>
      <ul className="mt-2 grid gap-1">
        {effects.map(({ role, changes }) => (
          <li key={role} className="border-b border-dotted border-line pb-1">
            <strong>{roleName(role)} thinner:</strong>{' '}
            {changes.map(({ panel, measure, before, after }, index) => (
              <span key={`${panel} ${measure}`}>
                {index > 0 && ', '}
                {nameOf(panel).toLowerCase()} <Length ticks={Math.abs(after - before)} unit />{' '}
                {after > before ? MEASURES[measure] : LESS[measure]}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface Props {
  built: Built;
  nameOf: (id: string) => string;
}

/** What to look at while the box stands together without glue, by what is seen when it is wrong. */
export function DryFitTab({ built, nameOf }: Props) {
  const { setStyle } = useUnits();
  // Tolerances are finer than the marks of most tapes.
  const style = useBitStyle();
  const fine = useMemo(() => ({ style, setStyle }), [style, setStyle]);
  return (
    <GivenUnits value={fine}>
      <div className="grid gap-4">
        <section aria-label="Dry fit" className="card p-4">
          <h2 className="text-lg">
            Put it together once without glue, with clamps or two screws a joint
          </h2>
          <ol className="mt-2 grid gap-3">
            {built.looks.map(({ id, look, tolerance, signs }) => (
              <li key={id} className="rounded-md border border-line bg-white p-3">
                <p className="text-lg font-semibold">
                  <Sentence text={look} />
                </p>
                <p className="text-sm text-soft">
                  Within <Length ticks={tolerance} unit />.
                </p>
                <dl className="mt-1 grid grid-cols-[minmax(160px,1fr)_2fr] gap-x-4 gap-y-1 max-sm:grid-cols-1">
                  {signs.map(({ sign, cause }, index) => (
                    <div key={index} className="contents">
                      <dt className="font-semibold text-danger">
                        <Sentence text={sign} />
                      </dt>
                      <dd>
                        <Sentence text={cause} />.
                      </dd>
                    </div>
                  ))}
                </dl>
              </li>
            ))}
          </ol>
        </section>
        <Effects built={built} nameOf={nameOf} />
      </div>
    </GivenUnits>
  );
}
