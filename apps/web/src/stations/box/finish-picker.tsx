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
  const chosen = FINISHES.find(([, , each]) => sameValue(each, finish))?.[0];
  return (
    <label className="mt-2 block">
      <span className="label block">Finish</span>
      <select
        className="field mt-1 w-full"
        value={chosen ?? 'own'}
        disabled={locked}
        onChange={(event) => {
          const next = FINISHES.find(([id]) => id === event.target.value);
          if (next) onChoose(next[2]);
        }}
      >
        {!chosen && <option value="own">as the plan says ({finish.length} coats)</option>}
        {FINISHES.map(([id, label]) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}
