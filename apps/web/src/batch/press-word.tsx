import type { PressState } from './press-session';

/** Whether what was pressed is kept; what is not is said loudly. */
export function PressWord({
  keeping,
  kept,
}: Pick<PressState<unknown>, 'keeping'> & {
  /** What is said when all of it is: `every cut is kept`. */
  kept: string;
}) {
  if (keeping.state === 'not kept' || keeping.state === 'let go')
    return (
      <p role="status" className="rounded bg-danger px-3 py-1 font-semibold text-white">
        {keeping.state === 'let go' ? 'That press was not taken: ' : 'Not kept yet: '}
        {keeping.why}
      </p>
    );
  return (
    <p role="status" className="text-soft">
      {keeping.state === 'keeping' ? 'keeping…' : kept}
    </p>
  );
}
