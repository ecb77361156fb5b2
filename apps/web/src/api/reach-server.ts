/** Milliseconds after which an answer is not waited for any longer: the house is near. A whole shop takes its time. */
const PATIENCE = { usual: 20_000, archive: 300_000 };

/** Why no answer came. */
export type NoAnswer = 'unreachable' | 'silent';

/** Thrown when no answer came. */
export class Unanswered extends Error {
  constructor(readonly why: NoAnswer) {
    super(why);
  }
}

/**
 * Asks the server, and gives up waiting after a while: a server that hangs is told from one that is not there.
 *
 * @throws Unanswered
 */
export async function reachServer(
  path: string,
  asked: RequestInit,
  patience: number = path.startsWith('archive') ? PATIENCE.archive : PATIENCE.usual,
): Promise<Response> {
  try {
    return await fetch(`/api/${path}`, { ...asked, signal: AbortSignal.timeout(patience) });
  } catch (error) {
    const isSilent = (error as { name?: unknown }).name === 'TimeoutError';
    throw new Unanswered(isSilent ? 'silent' : 'unreachable');
  }
}
