import { checkLayout } from '@spare-knot/core/layout/checker/check.js';
import type { LayoutJob } from '@spare-knot/core/layout/job.js';
import type { Layout } from '@spare-knot/core/layout/layout.js';
import { searchLayout } from '@spare-knot/core/layout/search/search.js';

/** What the worker says: a better layout, the end of the search, or that it found nothing valid. */
export type WorkerWord = { kind: 'better' | 'done'; layout: Layout } | { kind: 'broken'; why: string };

/** No layout leaves the worker before the checker has passed it. */
function send(kind: 'better' | 'done', job: LayoutJob, layout: Layout): void {
  const broken = checkLayout(job, layout);
  const word: WorkerWord =
    broken.length === 0
      ? { kind, layout }
      : { kind: 'broken', why: broken.map(({ rule, path, message }) => `${path}: rule ${rule}: ${message}`).join('\n') };
  self.postMessage(word);
}

self.onmessage = (event: MessageEvent<LayoutJob>) => {
  const job = event.data;
  const layout = searchLayout(job, { clock: () => performance.now(), onBetter: (better) => send('better', job, better) });
  send('done', job, layout);
};
