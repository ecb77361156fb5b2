import { Link, useRouteError } from 'react-router';

/** A page that is not there, or that failed. */
export function Lost() {
  const error = useRouteError();
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="text-2xl">{error ? 'This page failed' : 'There is no such page'}</h1>
      <p className="mt-3">
        {error
          ? 'Nothing that was kept is lost. Load the page again; if it fails again, go back to the bench.'
          : 'The address leads nowhere.'}
      </p>
      {error instanceof Error && <p className="mono mt-3 text-sm text-soft">{error.message}</p>}
      <Link to="/" reloadDocument className="btn mt-6">
        Back to the bench
      </Link>
    </main>
  );
}
