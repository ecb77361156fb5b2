import type { LayoutOrder, WorkerWord } from './layout.worker';
import type { SearchWorker } from './search-session';

/** For tests: a worker that keeps what it is told, and says what the test wants. */
export class PretendWorker implements SearchWorker {
  readonly orders: LayoutOrder[] = [];
  ended = false;
  onmessage: SearchWorker['onmessage'] = null;
  onerror: SearchWorker['onerror'] = null;

  postMessage(order: LayoutOrder): void {
    this.orders.push(order);
  }

  terminate(): void {
    this.ended = true;
  }

  say(word: WorkerWord): void {
    this.onmessage?.({ data: word });
  }
}
