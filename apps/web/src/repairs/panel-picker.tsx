import { BinPanelDrawing, sizeOf } from '../spares/bin-panel';
import type { PlanPanel } from './plan-panels';

/** Pixels that the longest panel may be high, and the widest wide. */
const MOST = { high: 110, wide: 110 };

/** How many of each panel, by its id; what is not there is none. */
export type Picked = ReadonlyMap<string, number>;

/** The panels of a box side by side, to one scale, to be pointed at. */
export function PanelPicker({
  label,
  panels,
  picked,
  onPick,
}: {
  label: string;
  panels: readonly PlanPanel[];
  picked: Picked;
  onPick: (panel: string, count: number) => void;
}) {
  const sizes = panels.map(sizeOf);
  const scale = Math.min(
    ...sizes.map(({ long, wide }) => Math.min(MOST.high / long, MOST.wide / wide)),
  );
  return (
    <fieldset>
      <legend className="label">{label}</legend>
      <ul className="mt-1 flex flex-wrap gap-2">
        {panels.map((panel) => {
          const count = picked.get(panel.id) ?? 0;
          return (
            <li key={panel.id} className="grid w-32 gap-1">
              <button
                type="button"
                aria-label={panel.name}
                aria-pressed={count > 0}
                className={`grid min-h-36 content-between justify-items-center rounded-md border-2 p-1 ${count > 0 ? 'border-chalk bg-chalk-pale' : 'border-line bg-white'}`}
                onClick={() => onPick(panel.id, count > 0 ? 0 : 1)}
              >
                <BinPanelDrawing spare={panel} scale={scale} />
                <span className="font-semibold leading-tight">
                  {count > 0 && '✓ '}
                  {panel.name}
                </span>
              </button>
              {panel.each > 1 && count > 0 && (
                <label className="flex items-center gap-1 text-sm">
                  <select
                    className="field"
                    aria-label={`How many of ${panel.name}`}
                    value={count}
                    onChange={(event) => onPick(panel.id, Number(event.target.value))}
                  >
                    {Array.from({ length: panel.each }, (_unused, index) => (
                      <option key={index}>{index + 1}</option>
                    ))}
                  </select>
                  of {panel.each}
                </label>
              )}
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}
