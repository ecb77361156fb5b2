import type { Answer } from './use-answer';

function endWords({ asKept, answer }: Answer): string {
  if (asKept) return 'As it was kept.';
  return answer ? 'The search has ended.' : '';
}

/** Whether something better is still looked for, and a button to stop or to look again. */
export function SearchCard({ found, start }: { found: Answer; start: (() => void) | null }) {
  return (
    <section className="card p-3" aria-label="Search">
      {found.searching ? (
        <>
          <p role="status" className="font-semibold">
            Looking for better…
          </p>
          <div className="my-2 h-1.5 overflow-hidden rounded bg-line">
            <div className="h-full w-full animate-pulse bg-chalk" />
          </div>
          <button type="button" className="btn" onClick={found.search.stop}>
            Stop, keep the best so far
          </button>
        </>
      ) : (
        <>
          <p role="status" className="text-soft">
            {endWords(found)}
          </p>
          <button type="button" className="btn mt-1" disabled={!start} onClick={() => start?.()}>
            Look again
          </button>
        </>
      )}
    </section>
  );
}
