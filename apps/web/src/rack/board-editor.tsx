import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { fromMm, type Ticks } from '@spare-knot/core/measure';
import { moveZone, type Zone, zoneBounds } from '@spare-knot/core/plane';
import { DEFECT_KINDS, DEFECT_NAMES, type Defect, type DefectKind } from '@spare-knot/core/wood';

import { Trash2 } from 'lucide-react';
import { type KeyboardEvent, type MouseEvent, useState } from 'react';
import { BoardDrawing } from '../board/board-drawing';
import { useWidth } from '../board/use-width';
import { Length } from '../measure/length';
import { LengthField } from '../measure/length-field';
import { ARROW_KEYS } from '../ui/arrow-keys';
import { FactFields } from './fact-fields';
import { PriceField, SizeFields } from './size-fields';

/** How large a defect is when it is first put down; then it is measured. */
const FIRST_SIZE: Record<DefectKind, (x: Ticks, y: Ticks) => Zone> = {
  'knot-sound': (x, y) => ({ kind: 'circle', centre: [x, y], radius: fromMm(10) }),
  'knot-loose': (x, y) => ({ kind: 'circle', centre: [x, y], radius: fromMm(10) }),
  hole: (x, y) => ({ kind: 'circle', centre: [x, y], radius: fromMm(5) }),
  nail: (x, y) => ({ kind: 'circle', centre: [x, y], radius: fromMm(3) }),
  split: (x, y) => ({
    kind: 'rect',
    corner: [x - fromMm(40), y - fromMm(8)],
    width: fromMm(80),
    height: fromMm(16),
  }),
  rot: (x, y) => ({ kind: 'circle', centre: [x, y], radius: fromMm(20) }),
  wane: (x, y) => ({
    kind: 'rect',
    corner: [x - fromMm(75), y - fromMm(8)],
    width: fromMm(150),
    height: fromMm(16),
  }),
};

interface Props {
  board: BoardRecord;
  onDefects: (defects: readonly Defect[], what: string) => void;
  onChange?: ((change: Partial<NewBoard>) => void) | undefined;
}

const STEP = fromMm(10);
const FINE_STEP = fromMm(1);

const within = (value: number, most: number): Ticks =>
  Math.max(0, Math.min(most, Math.round(value)));

/** A cross on the board that the arrow keys move, and what a press or the Enter key puts there. */
function useCross(board: BoardRecord, putAt: (x: Ticks, y: Ticks) => void) {
  const { length, width } = board;
  const [cross, setCross] = useState<readonly [Ticks, Ticks]>([
    Math.round(length / 2),
    Math.round(width / 2),
  ]);
  const onClick = (event: MouseEvent<SVGRectElement>) => {
    const drawn = event.currentTarget.getBoundingClientRect();
    const x = within(((event.clientX - drawn.left) / drawn.width) * length, length);
    const y = within((1 - (event.clientY - drawn.top) / drawn.height) * width, width);
    setCross([x, y]);
    putAt(x, y);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const move = ARROW_KEYS[event.key];
    const puts = event.key === 'Enter' || event.key === ' ';
    if (!move && !puts) return;
    event.preventDefault();
    if (puts) putAt(...cross);
    if (!move) return;
    const step = event.shiftKey ? FINE_STEP : STEP;
    setCross(([x, y]) => [within(x + move[0] * step, length), within(y + move[1] * step, width)]);
  };
  return { cross, on: { onClick, onKeyDown } };
}

function KindChooser({
  board,
  kind,
  onKind,
}: {
  board: BoardRecord;
  kind: DefectKind;
  onKind: (kind: DefectKind) => void;
}) {
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-1.5">
      <legend className="label float-left mr-2">What is wrong, and where?</legend>
      {DEFECT_KINDS.map((each) => (
        <label
          key={each}
          className={`min-h-7 cursor-pointer rounded-md border px-2 py-0.5 text-sm has-focus-visible:outline-3 has-focus-visible:outline-chalk ${kind === each ? 'border-2 border-chalk bg-chalk-pale font-bold' : 'border-[#b9ad93]'}`}
        >
          <input
            type="radio"
            className="sr-only"
            name={`defect-${board.id}`}
            checked={kind === each}
            onChange={() => onKind(each)}
          />
          {DEFECT_NAMES[each]}
        </label>
      ))}
    </fieldset>
  );
}

/** The board with its cross: its face is a button of its own shape. */
function BoardFace({
  board,
  kind,
  width,
  onDefects,
}: Pick<Props, 'board' | 'onDefects'> & { kind: DefectKind; width: number }) {
  const scale = Math.min((width - 4) / board.length, 220 / board.width);
  const { cross, on } = useCross(board, (x, y) =>
    onDefects(
      [...board.defects, { kind, zone: FIRST_SIZE[kind](x, y) }],
      `${DEFECT_NAMES[kind]} marked`,
    ),
  );
  const [cx, cy] = [cross[0] * scale, (board.width - cross[1]) * scale];
  return (
    <BoardDrawing
      board={board}
      scale={scale}
      tape
      label={`${board.name}, face A, with ${board.defects.length} defects`}
    >
      {/* biome-ignore lint/a11y/useSemanticElements: in a drawing there are no buttons */}
      <rect
        data-testid="board-face"
        role="button"
        width={board.length * scale}
        height={board.width * scale}
        fill="transparent"
        className="cursor-crosshair"
        tabIndex={0}
        aria-label={`Face of ${board.name}: Enter puts a ${DEFECT_NAMES[kind]} at the cross`}
        {...on}
      />
      <path
        d={`M${cx - 9} ${cy}h18M${cx} ${cy - 9}v18`}
        stroke="#1d5a96"
        strokeWidth="1.6"
        className="pointer-events-none"
      />
    </BoardDrawing>
  );
}

/** One board, large: what is wrong with it is put where it is, by the mouse or by the arrow keys. */
export function BoardEditor({ board, onDefects, onChange }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const [kind, setKind] = useState<DefectKind>('knot-sound');
  const { defects } = board;
  return (
    <div className="mt-3 rounded-md border border-line bg-white p-3">
      {onChange && <BoardFields board={board} onChange={onChange} />}
      {onChange && <FactFields board={board} onChange={onChange} />}
      <KindChooser board={board} kind={kind} onKind={setKind} />
      <p className="mt-1 text-sm text-soft">
        Click on the board where it is. Or step onto the board with Tab, move the cross with the
        arrow keys (with Shift a millimetre at a time) and press Enter.
        {board.quantity > 1 && ' One board is taken out of the pile for it.'}
      </p>
      <div ref={ref} className="mt-2">
        {width > 0 && <BoardFace board={board} kind={kind} width={width} onDefects={onDefects} />}
      </div>
      {defects.length > 0 && (
        <ul className="mt-2 grid gap-1">
          {defects.map((defect, index) => (
            <DefectRow
              key={index}
              defect={defect}
              onMove={(zone) => onDefects(defects.with(index, { ...defect, zone }), 'Moved')}
              onRemove={() =>
                onDefects(
                  defects.filter((_each, other) => other !== index),
                  `${DEFECT_NAMES[defect.kind]} taken away`,
                )
              }
            />
          ))}
        </ul>
      )}
    </div>
  );
}

function DefectRow({
  defect,
  onMove,
  onRemove,
}: {
  defect: Defect;
  onMove: (zone: Zone) => void;
  onRemove: () => void;
}) {
  const [left, bottom, right, top] = zoneBounds(defect.zone);
  const name = DEFECT_NAMES[defect.kind];
  const [x, y] = [Math.round((left + right) / 2), Math.round((bottom + top) / 2)];
  return (
    <li className="flex flex-wrap items-center gap-2 text-sm">
      <span className="w-24 font-semibold">{name}</span>
      <span className="text-soft">along</span>
      <LengthField
        hideLabel
        label={`${name}, along the board`}
        value={x}
        onChange={(to) => onMove(moveZone(defect.zone, to - x, 0))}
      />
      <span className="text-soft">up</span>
      <LengthField
        hideLabel
        label={`${name}, across the board`}
        value={y}
        onChange={(to) => onMove(moveZone(defect.zone, 0, to - y))}
      />
      {defect.zone.kind === 'circle' && (
        <>
          <span className="text-soft">wide</span>
          <LengthField
            hideLabel
            label={`${name}, diameter`}
            value={2 * defect.zone.radius}
            least={320}
            onChange={(to) =>
              defect.zone.kind === 'circle' &&
              onMove({ ...defect.zone, radius: Math.round(to / 2) })
            }
          />
        </>
      )}
      {defect.zone.kind === 'rect' && (
        <>
          <span className="text-soft">size</span>
          <LengthField
            hideLabel
            label={`${name}, long`}
            value={defect.zone.width}
            least={320}
            onChange={(to) => defect.zone.kind === 'rect' && onMove({ ...defect.zone, width: to })}
          />
          ×
          <LengthField
            hideLabel
            label={`${name}, broad`}
            value={defect.zone.height}
            least={320}
            onChange={(to) => defect.zone.kind === 'rect' && onMove({ ...defect.zone, height: to })}
          />
        </>
      )}
      <button
        type="button"
        className="btn btn-quiet !min-h-7"
        aria-label={`Take away the ${name}`}
        onClick={onRemove}
      >
        <Trash2 size={15} aria-hidden />
      </button>
    </li>
  );
}

function BoardFields({
  board,
  onChange,
}: {
  board: BoardRecord;
  onChange: (change: Partial<NewBoard>) => void;
}) {
  const [name, setName] = useState(board.name);
  const [quantity, setQuantity] = useState(String(board.quantity));
  return (
    <div className="flex flex-wrap items-start gap-3">
      <label>
        <span className="label block">Name</span>
        <input
          className="field w-48"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
          onBlur={() =>
            name.trim() === '' ? setName(board.name) : name !== board.name && onChange({ name })
          }
        />
      </label>
      <label>
        <span className="label block">How many</span>
        <input
          className="field mono w-16"
          value={quantity}
          inputMode="numeric"
          onChange={(event) => setQuantity(event.target.value)}
          onBlur={() => {
            const count = Number(quantity);
            if (!Number.isInteger(count) || count < 1 || count > 1000)
              setQuantity(String(board.quantity));
            else if (count !== board.quantity) onChange({ quantity: count });
          }}
        />
      </label>
      <SizeFields wood={board} onChange={onChange} />
      <PriceField price={board.price} onChange={(amount) => onChange({ price: amount })} />
      <p className="sr-only">
        Board of <Length ticks={board.length} unit />
      </p>
    </div>
  );
}
