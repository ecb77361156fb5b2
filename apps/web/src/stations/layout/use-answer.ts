import type { LayoutJob } from '@spare-knot/core/job';
import { checkLayout, type Goals, type Layout, movedToPins } from '@spare-knot/core/layout';

import { useEffect, useMemo, useRef, useState } from 'react';
import { useBatch } from '../../batch/batch-context';
import { messageOf } from '../../ui/message-of';
import { useNotice } from '../../ui/notice';
import { questionOf } from '../../workers/search-session';
import { useSearchSession } from '../../workers/use-search-session';

/** A moment after the last change in which more changes may come, in milliseconds. */
const MOMENT = 40;

export interface Answer {
  /** What is shown: the accepted layout, the answer, or until there is one the last, with every piece where it was dropped. */
  layout: Layout | null;
  /** The layout that answers the job as it stands; null while it is searched. */
  answer: Layout | null;
  searching: boolean;
  /** True when the answer is the one that was kept, not searched anew. */
  asKept: boolean;
  trouble: string | null;
  /** The layout that is kept next is shown as it was, where it holds, and not searched anew. */
  showKept: () => void;
  search: ReturnType<typeof useSearchSession>['search'];
}

/** The kept layout of a batch where it still holds for the job. */
function useKept(job: LayoutJob | null, question: string | null, stillFirst: () => boolean) {
  const { batch } = useBatch();
  const proposed = useRef(batch.proposed);
  proposed.current = batch.proposed;
  const [held, setHeld] = useState<{ question: string; layout: Layout } | null>(null);
  const hold = (): boolean => {
    const kept = stillFirst() ? proposed.current : null;
    if (!kept || !job || !question) return false;
    if (kept.unplaced.length > 0 || checkLayout(job, kept).length > 0) return false;
    setHeld({ question, layout: kept });
    return true;
  };
  const latest = useRef(hold);
  latest.current = hold;
  return { held, hold: latest };
}

/** The layout of a job: kept, searched, or accepted. A layout that was kept and still holds is shown as it was; from then on anything that changes is laid out anew. */
export function useAnswer(job: LayoutJob | null, goals: Goals): Answer {
  const { batch, session } = useBatch();
  const { accepted } = batch;
  const say = useNotice();
  const keep = (layout: Layout) => {
    if (layout.boards.length === 0) return;
    session.propose(layout).catch((error: unknown) => {
      say(`This layout is not kept yet: ${messageOf(error)}`, { tone: 'danger' });
    });
  };
  const { search, state: found } = useSearchSession(keep);
  const question = useMemo(() => job && questionOf(job, goals), [job, goals]);
  const first = useRef(true);
  const awaited = useRef(false);
  const { held, hold } = useKept(job, question, () => first.current || awaited.current);
  useEffect(() => {
    if (!job || !question || accepted) return;
    if (hold.current()) {
      first.current = false;
      awaited.current = false;
      return;
    }
    const { asked, running } = search.snapshot();
    if (held?.question === question && asked !== question && !running) return;
    // The first time at once; later a moment after the last change.
    const look = () => {
      awaited.current = false;
      search.lookAt(job, goals);
    };
    const timer = setTimeout(look, first.current ? 0 : MOMENT);
    first.current = false;
    return () => clearTimeout(timer);
  }, [job, question, goals, held, accepted, search, hold]);
  const asKept = held !== null && held.question === question && found.asked !== question;
  const searched = found.answers === question ? found.layout : null;
  const answer = asKept ? held.layout : searched;
  const last = useRef<Layout | null>(null);
  useEffect(() => {
    if (answer) last.current = answer;
  }, [answer]);
  const meanwhile = () => job && last.current && movedToPins(last.current, job.pinned);
  const isAsked = found.running || (found.asked !== question && found.trouble === null);
  return {
    layout: accepted ? accepted.layout : (answer ?? meanwhile()),
    answer,
    searching: !accepted && job !== null && !asKept && isAsked,
    asKept,
    trouble: found.trouble,
    showKept: () => {
      awaited.current = true;
    },
    search,
  };
}
