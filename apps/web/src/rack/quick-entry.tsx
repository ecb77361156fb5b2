import type { NewBoard } from '@spare-knot/core/api';
import {
  type LengthStyle,
  printLength,
  printLengthUnit,
  printMoney,
} from '@spare-knot/core/measure';
import {
  NOMINAL_SIZES,
  type NominalSize,
  type ParsedEntry,
  parseRackLine,
  type RackEntry,
  woodRefused,
} from '@spare-knot/core/wood';

import { type ReactNode, useId, useRef, useState } from 'react';
import { Length, Sentence } from '../measure/length';
import { useUnits } from '../measure/units';
import { MaterialOptions } from '../wood/material-options';
import { assumedWords, facesWords, woodWords } from '../wood/wood-words';

/** A nominal size as the beginning of a line: by its name where that says it all, else by its actual thickness and width. */
function beginning(size: NominalSize, style: LengthStyle): string {
  if (/^\d+×\d+$/.test(size.name)) return size.name;
  const word = size.name.replace(/[\d,].*$/, '').trim() || 'board';
  return `${word} ${printLengthUnit(size.thickness, style)} x ${printLengthUnit(size.width, style)}`;
}

/** Boards entered in one line, as people say it; what was understood is shown while typing. */
export function QuickEntry({
  onAdd,
  put = 'Put on the rack',
  label = 'Boards in one line: how many, what, thickness × width × length, wood, face, price of one',
  example = '6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40',
  children,
}: {
  onAdd: (boards: NewBoard[]) => Promise<unknown>;
  /** What the button says. */
  put?: string;
  /** What is asked for, and how it may be said. */
  label?: string;
  example?: string;
  /** What else is asked of every line. */
  children?: ReactNode;
}) {
  const { style } = useUnits();
  const [line, setLine] = useState('');
  const [busy, setBusy] = useState(false);
  const [tried, setTried] = useState(false);
  const [wood, setWood] = useState('');
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const parsed = line.trim() === '' ? null : parseRackLine(line, style.system);
  const asks = parsed !== null && !parsed.ok && parsed.ask !== undefined;
  const entry = entryOf(parsed, wood);
  const add = async () => {
    setTried(true);
    if (!entry || busy) return;
    setBusy(true);
    const { name, quantity, kind } = entry;
    const added = await onAdd([{ name, quantity, ...kind, defects: [] }]);
    setBusy(false);
    if (added) {
      setLine('');
      setWood('');
      setTried(false);
    }
  };
  return (
    <form
      className="card p-3"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label htmlFor={id} className="label">
        {label}
      </label>
      <div className="mt-1 flex flex-wrap gap-2">
        <input
          id={id}
          ref={field}
          className="field mono !min-h-10 min-w-52 flex-1"
          placeholder={example}
          value={line}
          autoComplete="off"
          aria-describedby={`${id}-read`}
          onChange={(event) => setLine(event.target.value)}
        />
        <label className="flex items-center">
          <span className="sr-only">Sold as</span>
          <select
            className="field !min-h-10 w-44"
            value=""
            onChange={(event) => {
              const size = NOMINAL_SIZES.find((each) => each.name === event.target.value);
              if (size)
                setLine(
                  `${/^\d+(?=\s|$)/.exec(line.trim())?.[0] ?? '1'} ${beginning(size, style)} x `,
                );
              field.current?.focus();
            }}
          >
            <option value="">sold as…</option>
            {NOMINAL_SIZES.map((size) => (
              <option key={size.name} value={size.name}>
                {size.name}: {printLength(size.thickness, style)} ×{' '}
                {printLengthUnit(size.width, style)} [{size.mark}]
              </option>
            ))}
          </select>
        </label>
        <button type="submit" className="btn btn-main" disabled={busy || line.trim() === ''}>
          {put}
        </button>
      </div>
      {asks && (
        <label className="mt-2 flex flex-wrap items-center gap-2">
          <span className="font-semibold">Which wood is it?</span>
          <select
            className="field !min-h-10"
            value={wood}
            onChange={(event) => setWood(event.target.value)}
          >
            <option value="">choose…</option>
            <MaterialOptions />
          </select>
          <span className="text-sm text-soft">No wood is taken for another one.</span>
        </label>
      )}
      {children}
      <p
        id={`${id}-read`}
        aria-live="polite"
        className={`mt-1 min-h-6 text-sm ${parsed && !entry && tried ? 'text-danger' : 'text-soft'}`}
      >
        <ReadBack parsed={parsed} entry={entry} />
      </p>
    </form>
  );
}

const HINT =
  'Nominal sizes bring their actual ones: 4 1x8 x 8ft pine planed 14.75. Sheets too: ply 12 x 1220 x 2440 mm.';

/** What the line comes to, with the wood that was chosen where the line did not say it. */
function entryOf(parsed: ParsedEntry | null, wood: string): RackEntry | null {
  if (!parsed) return null;
  if (parsed.ok) return parsed.entry;
  return parsed.ask && wood !== '' ? parsed.ask.answer(wood) : null;
}

/** What was read of the line so far, what is assumed of it, or why it cannot be read. */
function ReadBack({ parsed, entry }: { parsed: ParsedEntry | null; entry: RackEntry | null }) {
  if (!parsed) return HINT;
  // What is asked for stands beside its own field.
  if (!entry) return parsed.ok || parsed.ask ? '' : parsed.message;
  const { quantity, name, kind, nominal } = entry;
  const assumed = assumedWords(kind);
  const refused = woodRefused(kind);
  return (
    <>
      {quantity} × {name}: <Length ticks={kind.thickness} /> × <Length ticks={kind.width} /> ×{' '}
      <Length ticks={kind.length} unit />, {woodWords(kind)}, {facesWords(kind)}
      {kind.price !== null && `, ${printMoney(kind.price)} each`}
      {nominal &&
        ` (${nominal.name} is sold larger than it is; [${nominal.mark}] ${nominal.source})`}
      {assumed && <span className="font-semibold text-ink"> · {assumed}</span>}
      {refused && (
        <span className="font-semibold text-danger">
          {' '}
          · No box is built of it. <Sentence text={refused} />
        </span>
      )}
    </>
  );
}
