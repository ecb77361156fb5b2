import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { fromMm } from '@spare-knot/core/measure';
import { isSheet, materialById, stillAssumed } from '@spare-knot/core/wood';
import { useState } from 'react';
import { LengthField } from '../measure/length-field';
import { MaterialOptions } from '../wood/material-options';

type OnChange = (change: Partial<NewBoard>) => void;

const TREATMENTS = [
  'none',
  'heat-treated',
  'kiln-dried',
  'pressure-treated',
  'creosoted',
  'oily',
  'not known',
] as const;
const SHEET_GRADES = ['exterior', 'marine', 'interior'] as const;

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly (readonly [value: string, label: string])[];
  onChange: (value: string) => void;
}) {
  const known = options.some(([each]) => each === value);
  return (
    <label>
      <span className="label block">{label}</span>
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        {!known && <option value={value}>{value}</option>}
        {options.map(([each, name]) => (
          <option key={each} value={each}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Sheets have a grade; boards are dry or green. */
function GradeChoice({ board, onChange }: { board: BoardRecord; onChange: OnChange }) {
  const options = isSheet(board.material)
    ? ([['', 'not known'], ...SHEET_GRADES.map((each) => [each, each] as const)] as const)
    : ([
        ['', 'dry'],
        ['green', 'green (not dry)'],
      ] as const);
  return (
    <Choice
      label={isSheet(board.material) ? 'Grade' : 'Moisture'}
      value={board.grade ?? ''}
      options={options}
      onChange={(grade) => onChange({ grade: grade === '' ? null : grade })}
    />
  );
}

/** The wood and what of it matters to an animal: asked for, and never guessed. */
export function FactFields({ board, onChange }: { board: BoardRecord; onChange: OnChange }) {
  const setMaterial = (material: string) =>
    onChange({
      material,
      grained: materialById(material)?.grained ?? true,
      assumed: stillAssumed(board, 'material'),
    });
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <label>
        <span className="label block">Wood</span>
        <select
          className="field"
          value={board.material}
          onChange={(event) => setMaterial(event.target.value)}
        >
          {!materialById(board.material) && (
            <option value={board.material}>{board.material}: not known, choose</option>
          )}
          <MaterialOptions />
        </select>
      </label>
      <Choice
        label="Treated with"
        value={board.treatment ?? 'none'}
        options={TREATMENTS.map((each) => [each, each === 'none' ? 'nothing' : each])}
        onChange={(treatment) => onChange({ treatment, assumed: stillAssumed(board, 'treatment') })}
      />
      <GradeChoice board={board} onChange={onChange} />
      {board.material === 'pallet-wood' && (
        <Choice
          label="Stamp"
          value={board.stamp ?? ''}
          options={[
            ['', 'none seen'],
            ['HT', 'HT, heat-treated'],
            ['MB', 'MB, methyl bromide'],
          ]}
          onChange={(stamp) => onChange({ stamp: stamp === '' ? null : stamp })}
        />
      )}
      <label className="flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-chalk"
          checked={board.oldPaint ?? false}
          onChange={(event) => onChange({ oldPaint: event.target.checked })}
        />
        old paint on it
      </label>
      <PlaneIt key={board.thickness} board={board} onChange={onChange} />
    </div>
  );
}

/** Planing to a thickness: the board remembers how thick it was, and how it was planed. */
function PlaneIt({ board, onChange }: { board: BoardRecord; onChange: OnChange }) {
  const [to, setTo] = useState(board.thickness);
  const [by, setBy] = useState<'hand' | 'machine'>('machine');
  const [faces, setFaces] = useState<'both' | 'A' | 'B'>('both');
  const thinner = to < board.thickness && to >= fromMm(3);
  const plane = () =>
    onChange({
      thickness: to,
      planed: { from: board.planed?.from ?? board.thickness, by },
      ...(faces !== 'B' && { faceA: 'planed' as const }),
      ...(faces !== 'A' && { faceB: 'planed' as const }),
      assumed: stillAssumed(board, 'faces'),
    });
  return (
    <fieldset className="flex flex-wrap items-end gap-2 border-l border-line pl-3">
      <legend className="label float-left mr-2 self-center">Plane it</legend>
      <LengthField label="down to" value={to} least={fromMm(3)} onChange={setTo} />
      <Choice
        label="by"
        value={by}
        options={[
          ['machine', 'machine'],
          ['hand', 'hand'],
        ]}
        onChange={(value) => setBy(value === 'hand' ? 'hand' : 'machine')}
      />
      <Choice
        label="faces"
        value={faces}
        options={[
          ['both', 'both faces'],
          ['A', 'face A only'],
          ['B', 'face B only'],
        ]}
        onChange={(value) => setFaces(value === 'A' || value === 'B' ? value : 'both')}
      />
      <button type="button" className="btn" disabled={!thinner} onClick={plane}>
        Planed{board.quantity > 1 ? ` (all ${board.quantity})` : ''}
      </button>
    </fieldset>
  );
}
