import { MATERIALS } from '@spare-knot/core/wood';

const byName = [...MATERIALS].sort((a, b) => a.name.localeCompare(b.name));

/** Every wood by name; what no box is built of stands apart. */
export function MaterialOptions() {
  return (
    <>
      {byName
        .filter(({ refused }) => !refused)
        .map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      <optgroup label="Not for boxes">
        {byName
          .filter(({ refused }) => refused)
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </optgroup>
    </>
  );
}
