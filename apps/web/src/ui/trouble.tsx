import { messageOf } from './message-of';
/** Something that could not be fetched, and the way on. */
export function Trouble({ error, retry }: { error: unknown; retry: () => void }) {
  return (
    <div
      role="alert"
      className="mx-auto mt-10 max-w-xl rounded-lg border border-danger bg-danger-pale p-5"
    >
      <p className="font-semibold">{messageOf(error)}</p>
      <button type="button" className="btn mt-3" onClick={retry}>
        Try again
      </button>
    </div>
  );
}
