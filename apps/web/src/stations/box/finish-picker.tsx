import type { Finish } from '@spare-knot/core/plan';

import { sameValue } from '../../batch/change-paths';

const coat = (
  what: Finish['what'],
  base: Finish['base'],
  shade: Finish['shade'] = null,
): Finish => ({
  where: 'outside',
  what,
  base,
  shade,
});
const FINISHES: readonly (readonly [id: string, label: string, finish: readonly Finish[]])[] = [
  ['none', 'left bare', []],
  ['stain', 'water-based stain outside', [coat('stain', 'water')]],
  ['dark', 'dark water-based stain outside', [coat('stain', 'water', 'dark')]],
  ['pale', 'pale water-based paint outside', [coat('paint', 'water', 'pale')]],
  ['oil', 'oil outside', [coat('oil', 'oil')]],
  ['paint', 'water-based paint outside', [coat('paint', 'water')]],
  [
    'edges',
    'only the plies’ edges sealed',
    [{ where: 'edges', what: 'paint', base: 'water', shade: null }],
  ],
];

const onRoof = (finish: readonly Finish[]): Finish[] =>
  finish.map((each) => ({ ...each, where: 'roof' }));
/** A roof of its own colour; otherwise it gets what the body gets. */
const ROOF_FINISHES: typeof FINISHES = [
  ['none', 'as the body', []],
  ...FINISHES.filter(([, , [first]]) => first?.where === 'outside').map(
    ([id, label, finish]) => [id, label.replace(' outside', ''), onRoof(finish)] as const,
  ),
];

function FinishSelect({
  label,
  finish,
  options,
  locked,
  onChoose,
}: {
  label: string;
  finish: readonly Finish[];
  options: typeof FINISHES;
  locked: boolean;
  onChoose: (finish: readonly Finish[]) => void;
}) {
  const chosen = options.find(([, , each]) => sameValue(each, finish))?.[0];
  return (
    <label className="mt-2 block">
      <span className="label block">{label}</span>
      <select
        className="field mt-1 w-full"
        value={chosen ?? 'own'}
        disabled={locked}
        onChange={(event) => {
          const next = options.find(([id]) => id === event.target.value);
          if (next) onChoose(next[2]);
        }}
      >
        {!chosen && <option value="own">as the plan says ({finish.length} coats)</option>}
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is put on the outside; a finish of its own making is shown as it is and stays until another is chosen. */
export function FinishPicker({
  finish,
  locked,
  onChoose,
}: {
  finish: readonly Finish[];
  locked: boolean;
  onChoose: (finish: readonly Finish[]) => void;
}) {
  const roof = finish.filter(({ where }) => where === 'roof');
  const body = finish.filter(({ where }) => where !== 'roof');
  return (
    <>
      <FinishSelect
        label="Finish"
        finish={body}
        options={FINISHES}
        locked={locked}
        onChoose={(next) => onChoose([...next, ...roof])}
      />
      <FinishSelect
        label="Finish of the roof"
        finish={roof}
        options={ROOF_FINISHES}
        locked={locked}
        onChoose={(next) => onChoose([...body, ...next])}
      />
    </>
  );
}
