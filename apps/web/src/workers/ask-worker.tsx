/** A press that asks a worker, how far it is, a press that stops it, and why it came to nothing. */
export function AskWorker({
  share,
  trouble,
  press,
  tried,
  onStart,
  onStop,
}: {
  /** The share that is done; null while nothing is worked out. */
  share: number | null;
  trouble: string | null;
  press: string;
  /** What is tried: `sizes`. */
  tried: string;
  onStart: () => void;
  onStop: () => void;
}) {
  return (
    <>
      {share === null ? (
        <button type="button" className="btn mt-1" onClick={onStart}>
          {press}
        </button>
      ) : (
        <div className="mt-1 flex items-center gap-2">
          <progress
            className="h-3 flex-1 accent-chalk"
            value={share}
            max={1}
            aria-label={`${tried.slice(0, 1).toUpperCase()}${tried.slice(1)} tried`}
          />
          <button type="button" className="btn !min-h-8" onClick={onStop}>
            Stop
          </button>
        </div>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-danger">
          The {tried} could not be tried: {trouble}
        </p>
      )}
    </>
  );
}
