import {
  type SawingProgress,
  type SawingRecord,
  type SawnCuts,
  sawnCuts,
} from '@spare-knot/core/api';
import { type Progress, progressProblems } from '@spare-knot/core/cuts';
import { PressSession, type PressState, type Shelf } from '../../batch/press-session';

/** What is on the screen of a batch that is being sawn: cuts that are made and pieces that went wrong. */
export type SawingState = PressState<Progress>;

export interface SawingServer {
  keepCuts(id: string, cuts: SawnCuts, key: string): Promise<SawingProgress>;
  sawingProgress(id: string): Promise<SawingProgress>;
}

const shelfKey = (id: string, round: number): string =>
  round === 0 ? `spare-knot.sawing.${id}` : `spare-knot.sawing.${id}.${round}`;

function applied(progress: Progress, { done, undone, ruined, mended }: SawnCuts): Progress {
  const cuts = progress.done.filter((cut) => !undone.includes(cut));
  const pieces = progress.ruined.filter(({ piece }) => !mended.includes(piece));
  const isNew = ({ piece }: { piece: string }) => !pieces.some((each) => each.piece === piece);
  return {
    done: [...cuts, ...done.filter((cut) => !cuts.includes(cut))],
    ruined: [...pieces, ...ruined.filter(isNew)],
  };
}

const isSame = (a: Progress, b: Progress): boolean =>
  a.done.length === b.done.length &&
  a.ruined.length === b.ruined.length &&
  a.done.every((cut, at) => cut === b.done[at]) &&
  a.ruined.every(({ piece }, at) => piece === b.ruined[at]?.piece);

/** Sawing of one batch by one plan. */
export class SawingSession {
  private readonly presses: PressSession<SawnCuts, Progress>;
  private readonly round: number;
  readonly subscribe: PressSession<SawnCuts, Progress>['subscribe'];
  readonly snapshot: () => SawingState;
  readonly open: () => void;
  readonly close: () => void;

  /** Told when another plan is followed by now. */
  onOtherRound: () => void = () => {};

  constructor(
    id: string,
    { plan, round, progress }: Pick<SawingRecord, 'plan' | 'round' | 'progress'>,
    server: SawingServer,
    shelf: Shelf,
  ) {
    this.round = round;
    const own = (answer: SawingProgress): Progress | null => {
      if (answer.round === round) return answer.progress;
      this.onOtherRound();
      return null;
    };
    this.presses = new PressSession(
      {
        start: progress,
        said: sawnCuts,
        shelfKey: shelfKey(id, round),
        send: async (cuts, key) => own(await server.keepCuts(id, cuts, key)),
        look: async () => own(await server.sawingProgress(id)),
        applied: (before, cuts) => {
          const next = applied(before, cuts);
          return progressProblems(plan.boards, next).length > 0 ? before : next;
        },
        isSame,
      },
      shelf,
    );
    const { subscribe, snapshot, open, close } = this.presses;
    this.subscribe = subscribe;
    this.snapshot = snapshot;
    this.open = open;
    this.close = close;
  }

  readonly press = (cuts: Partial<Omit<SawnCuts, 'round'>>): void => {
    this.presses.press({
      round: this.round,
      done: [],
      undone: [],
      ruined: [],
      mended: [],
      ...cuts,
    });
  };
}
