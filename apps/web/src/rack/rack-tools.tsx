import type { BoardRecord } from '@spare-knot/core/api';
import { printLengthUnit } from '@spare-knot/core/measure';
import { materialById } from '@spare-knot/core/wood';
import { LengthField } from '../measure/length-field';
import { useUnits } from '../measure/units';
import {
  BOARD_ORDERS,
  type BoardOrder,
  type BoardWish,
  NO_WISH,
  thicknessesOf,
} from './find-boards';

/** What is looked for on a long rack, and in which order it lies. */
export function RackTools({
  boards,
  wish,
  found,
  onWish,
}: {
  boards: readonly BoardRecord[];
  wish: BoardWish;
  /** How many are found. */
  found: number;
  onWish: (wish: BoardWish) => void;
}) {
  const { style } = useUnits();
  const set = (change: Partial<BoardWish>) => onWish({ ...wish, ...change });
  const materials = [...new Set(boards.map(({ material }) => material))].sort();
  const isLimited = found < boards.length;
  return (
    <search className="mt-4 flex flex-wrap items-end gap-x-4 gap-y-2">
      <label>
        <span className="label block">Look for</span>
        <input
          type="search"
          className="field w-48"
          placeholder="name or wood"
          value={wish.words}
          onChange={(event) => set({ words: event.target.value })}
        />
      </label>
      <label>
        <span className="label block">Wood</span>
        <select
          className="field"
          value={wish.material ?? ''}
          onChange={(event) => set({ material: event.target.value || null })}
        >
          <option value="">any</option>
          {materials.map((id) => (
            <option key={id} value={id}>
              {materialById(id)?.name ?? id}
            </option>
          ))}
        </select>
      </label>
      <label>
        <span className="label block">Thickness</span>
        <select
          className="field"
          value={wish.thickness ?? ''}
          onChange={(event) =>
            set({ thickness: event.target.value === '' ? null : Number(event.target.value) })
          }
        >
          <option value="">any</option>
          {thicknessesOf(boards).map((ticks) => (
            <option key={ticks} value={ticks}>
              {printLengthUnit(ticks, style)}
            </option>
          ))}
        </select>
      </label>
      <LengthField
        label="Long enough for"
        value={wish.length}
        onChange={(length) => set({ length })}
      />
      <LengthField
        label="Wide enough for"
        value={wish.width}
        onChange={(width) => set({ width })}
      />
      <label>
        <span className="label block">Which</span>
        <select
          className="field"
          value={wish.kind}
          onChange={(event) => set({ kind: event.target.value as BoardWish['kind'] })}
        >
          <option value="all">boards and offcuts</option>
          <option value="whole">boards alone</option>
          <option value="offcuts">offcuts alone</option>
        </select>
      </label>
      <label>
        <span className="label block">Order</span>
        <select
          className="field"
          value={wish.order}
          onChange={(event) => set({ order: event.target.value as BoardOrder })}
        >
          {Object.entries(BOARD_ORDERS).map(([order, words]) => (
            <option key={order} value={order}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {isLimited && (
        <p role="status" className="flex min-h-8 items-center gap-2">
          {found} of {boards.length} kinds
          <button
            type="button"
            className="btn !min-h-8"
            onClick={() => onWish({ ...NO_WISH, order: wish.order })}
          >
            Show all
          </button>
        </p>
      )}
    </search>
  );
}
