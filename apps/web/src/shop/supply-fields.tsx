import type { NewSupply } from '@spare-knot/core/api';
import { WEATHER_CLASSES, type WeatherClass } from '@spare-knot/core/building';
import { AmountField } from '../ui/amount-field';

interface Props {
  /** What it is called, for who cannot see the row. */
  name: string;
  /** `ml`; nothing for pieces. */
  counted: string;
  onTell: (change: Partial<NewSupply>) => void;
}

/** How much of it is there; empty while nobody has counted. */
export function CountField({ name, counted, count, onTell }: Props & { count: number | null }) {
  return (
    <>
      <AmountField
        hideLabel
        label={`How much of ${name} is there`}
        value={count}
        onChange={(next) => next !== null && onTell({ count: next })}
      />{' '}
      {counted}
    </>
  );
}

/** What one pack holds, and what it costs. */
export function PackFields({
  name,
  counted,
  pack,
  price,
  onTell,
}: Props & { pack: number | null; price: number | null }) {
  return (
    <>
      <AmountField
        hideLabel
        label={`What one pack of ${name} holds`}
        value={pack}
        least={0.01}
        onChange={(next) => onTell({ pack: next })}
      />{' '}
      {counted} at{' '}
      <AmountField
        hideLabel
        label={`What one pack of ${name} costs`}
        value={price === null ? null : price / 100}
        onChange={(next) => onTell({ price: next === null ? null : Math.round(next * 100) })}
      />
    </>
  );
}

/** Of which metal it is; not said while nobody has. */
export function MetalField({
  name,
  weather,
  onTell,
}: Omit<Props, 'counted'> & { weather: WeatherClass | null }) {
  return (
    <select
      aria-label={`Metal of ${name}`}
      className="field"
      value={weather ?? ''}
      onChange={(event) => onTell({ weather: (event.target.value || null) as WeatherClass | null })}
    >
      <option value="">which metal?</option>
      {WEATHER_CLASSES.map((each) => (
        <option key={each} value={each}>
          {each}
        </option>
      ))}
    </select>
  );
}
