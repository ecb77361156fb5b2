import type { BoxRecord, RepairRecord } from '@spare-knot/core/api';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { client } from '../api/client';
import { today } from '../trail/words';
import { BeyondDialog } from './beyond-dialog';
import { RepairDialog } from './repair-dialog';
import { repairWords, useRepairs } from './use-repairs';

const NONE: readonly RepairRecord[] = [];

function State({ repair: { outcome, closedOn, how, batch } }: { repair: RepairRecord }) {
  if (outcome === 'given-up') return <>given up {closedOn}</>;
  if (outcome === 'mended')
    return (
      <>
        mended {closedOn}
        {how && `, ${how}`}
      </>
    );
  return batch ? (
    <>
      to be mended, in{' '}
      <Link className="link" to={`/batches/${batch.id}/layout`}>
        {batch.name}
      </Link>
    </>
  ) : (
    <>to be mended</>
  );
}

/** What was and is broken of one box, with what it was mended; saying what else is, and that it is past mending. */
export function RepairsOfBox({ box }: { box: BoxRecord }) {
  const { data } = useQuery({
    queryKey: ['repairs', box.id],
    queryFn: () => client.repairs(box.id),
  });
  const { tell, done, takeApart } = useRepairs();
  const [isTold, setTold] = useState(false);
  const [isBeyond, setBeyond] = useState(false);
  const repairs = data?.repairs ?? NONE;
  const { id, number, planKey, last } = box;
  const isOpen = repairs.some(({ outcome }) => outcome === null);
  return (
    <section aria-label="Repairs" className="mt-6">
      <h2 className="text-xl">Repairs</h2>
      {data && repairs.length === 0 && <p className="card mt-2 p-4">Nothing was ever mended.</p>}
      <ul>
        {repairs.map((repair) => (
          <li
            key={repair.id}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-dotted border-line py-2"
          >
            <span className="mono whitespace-nowrap text-lg">{repair.toldOn}</span>
            <span className="flex-1 basis-60">
              <strong className="text-lg">{repair.name || repair.what}</strong>
              {repair.name && repair.what && `: ${repair.what}`}
              <span className="block">
                <State repair={repair} />
              </span>
            </span>
            {repair.outcome === null && (
              <button
                type="button"
                className="btn min-h-11"
                aria-label={`${repairWords(repair)} is mended`}
                onClick={() =>
                  void done([repair], today(), repair.batch ? `in “${repair.batch.name}”` : '')
                }
              >
                Mended
              </button>
            )}
          </li>
        ))}
      </ul>
      {box.takenDownOn === null && (
        <p className="mt-3 flex flex-wrap gap-2">
          <button type="button" className="btn min-h-11" onClick={() => setTold(true)}>
            Something is broken
          </button>
          <button type="button" className="btn min-h-11" onClick={() => setBeyond(true)}>
            It is beyond mending
          </button>
        </p>
      )}
      <RepairDialog
        of={isTold ? { box: id, number, planKey, wants: isOpen ? '' : (last?.wants ?? '') } : null}
        onTell={tell}
        onClose={() => setTold(false)}
      />
      <BeyondDialog
        box={isBeyond ? box : null}
        onTell={takeApart}
        onClose={() => setBeyond(false)}
      />
    </section>
  );
}
