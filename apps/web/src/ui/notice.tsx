import { Undo2, X } from 'lucide-react';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';

interface Notice {
  id: number;
  text: string;
  tone: 'plain' | 'danger';
  undo?: () => void;
}

type Say = (text: string, more?: { tone?: Notice['tone']; undo?: () => void }) => void;

const NoticeContext = createContext<Say>(() => {});

/** Says what happened at the foot of the page; a change that can be undone offers it. */
export const useNotice = (): Say => useContext(NoticeContext);

let nextId = 1;

export function NoticeProvider({ children }: { children: ReactNode }) {
  const [notices, setNotices] = useState<readonly Notice[]>([]);
  const dismiss = useCallback(
    (id: number) => setNotices((current) => current.filter((notice) => notice.id !== id)),
    [],
  );
  const say: Say = useCallback(
    (text, more = {}) => {
      const id = nextId++;
      setNotices((current) => [
        ...current.slice(-2),
        { id, text, tone: more.tone ?? 'plain', ...(more.undo && { undo: more.undo }) },
      ]);
      if (more.tone !== 'danger') setTimeout(() => dismiss(id), 10_000);
    },
    [dismiss],
  );
  const value = useMemo(() => say, [say]);
  return (
    <NoticeContext value={value}>
      {children}
      <section
        aria-label="What was done"
        aria-live="polite"
        className="fixed bottom-4 left-1/2 z-50 flex w-[min(92vw,560px)] -translate-x-1/2 flex-col gap-2 print:hidden"
      >
        {notices.map((notice) => (
          <div
            key={notice.id}
            className={`flex items-center gap-3 rounded-lg px-4 py-2.5 text-white shadow-lg ${notice.tone === 'danger' ? 'bg-danger' : 'bg-forest'}`}
          >
            <span className="flex-1">{notice.text}</span>
            {notice.undo && (
              <button
                type="button"
                className="flex min-h-7 items-center gap-1 font-semibold underline underline-offset-3"
                onClick={() => {
                  notice.undo?.();
                  dismiss(notice.id);
                }}
              >
                <Undo2 size={16} aria-hidden /> Undo
              </button>
            )}
            <button
              type="button"
              aria-label="Dismiss"
              className="grid size-7 place-items-center"
              onClick={() => dismiss(notice.id)}
            >
              <X size={16} aria-hidden />
            </button>
          </div>
        ))}
      </section>
    </NoticeContext>
  );
}
