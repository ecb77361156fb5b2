import { type Cents, printMoney, type Ticks } from '@spare-knot/core/measure';
import { type BoardKind, stillAssumed, type WoodFacts } from '@spare-knot/core/wood';
import { useState } from 'react';
import { LengthField } from '../measure/length-field';

type Wood = Pick<BoardKind, 'thickness' | 'width' | 'length' | 'faceA' | 'faceB'> & WoodFacts;

/** What a tape and a look say of a board: its measures and its faces. */
export function SizeFields({
  wood,
  onChange,
}: {
  wood: Wood;
  onChange: (
    change: Partial<Record<'thickness' | 'width' | 'length', Ticks>> &
      Partial<Pick<BoardKind, 'faceA' | 'faceB'>> & { assumed?: readonly string[] },
  ) => void;
}) {
  return (
    <>
      <LengthField
        label="Thick"
        value={wood.thickness}
        least={320}
        onChange={(thickness) => onChange({ thickness })}
      />
      <LengthField
        label="Wide"
        value={wood.width}
        least={320}
        onChange={(width) => onChange({ width })}
      />
      <LengthField
        label="Long"
        value={wood.length}
        least={320}
        onChange={(length) => onChange({ length })}
      />
      {(['faceA', 'faceB'] as const).map((face) => (
        <label key={face}>
          <span className="label block">{face === 'faceA' ? 'Face A (shown)' : 'Face B'}</span>
          <select
            className="field"
            value={wood[face]}
            onChange={(event) =>
              onChange({
                [face]: event.target.value as 'rough' | 'planed',
                assumed: stillAssumed(wood, 'faces'),
              })
            }
          >
            <option value="rough">rough</option>
            <option value="planed">planed</option>
          </select>
        </label>
      ))}
    </>
  );
}

const printed = (price: Cents | null): string => (price === null ? '' : printMoney(price));

export function PriceField({
  price,
  onChange,
}: {
  price: Cents | null;
  onChange: (price: Cents | null) => void;
}) {
  const [said, setSaid] = useState(printed(price));
  return (
    <label>
      <span className="label block">Price of one</span>
      <input
        className="field mono w-20"
        value={said}
        placeholder="none"
        onChange={(event) => setSaid(event.target.value)}
        onBlur={() => {
          const amount =
            said.trim() === '' ? null : Math.round(Number(said.replace(',', '.')) * 100);
          if (amount !== null && !(amount >= 0)) setSaid(printed(price));
          else if (amount !== price) onChange(amount);
        }}
      />
    </label>
  );
}
