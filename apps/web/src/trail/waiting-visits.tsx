import type { BoxRecord } from '@spare-knot/core/api';
import { useVisits } from './use-visits';
import { FINDING_WORDS } from './words';

/** Visits that are recorded on this phone and not kept by the server yet; those that it would not have, with the reason. */
export function WaitingVisits({ boxes }: { boxes: readonly Pick<BoxRecord, 'id' | 'number'>[] }) {
  const { waiting, again, discard } = useVisits();
  if (waiting.length === 0) return null;
  const numberOf = (id: string): string =>
    String(boxes.find((box) => box.id === id)?.number ?? 'of another list');
  const refused = waiting.filter((each) => each.refused !== null);
  const patient = waiting.length - refused.length;
  return (
    <section
      aria-label="Visits that wait"
      className="mt-3 rounded-md border border-warn bg-warn-pale p-3"
    >
      {patient > 0 && (
        <p role="status">
          <strong>
            {patient} {patient === 1 ? 'visit is' : 'visits are'} kept on this device
          </strong>{' '}
          and sent when the server answers. Nothing has to be done.
        </p>
      )}
      {refused.map(({ visit, refused: why }) => (
        <p key={visit.id} role="alert" className="mt-2">
          <strong>
            Box {numberOf(visit.box)}, {visit.on}, {FINDING_WORDS[visit.found].toLowerCase()}
          </strong>{' '}
          could not be kept: {why}{' '}
          <button type="button" className="btn" onClick={() => again(visit.id)}>
            Try again
          </button>{' '}
          <button type="button" className="btn" onClick={() => discard(visit.id)}>
            Give it up
          </button>
        </p>
      ))}
    </section>
  );
}
