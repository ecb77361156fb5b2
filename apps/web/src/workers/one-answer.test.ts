import { describe, expect, test } from '@jest/globals';
import { must } from '@spare-knot/core/lists';
import { type AnswerWorker, OneAnswer } from './one-answer';

/** A worker that says what a test has it say. */
class Pretend implements AnswerWorker<string> {
  readonly asked: unknown[] = [];
  ended = false;
  onmessage: AnswerWorker<string>['onmessage'] = null;
  onerror: AnswerWorker<string>['onerror'] = null;
  postMessage(question: unknown): void {
    this.asked.push(question);
  }
  terminate(): void {
    this.ended = true;
  }
}

function opened() {
  const workers: Pretend[] = [];
  const session = new OneAnswer<string, string>(() => {
    const worker = new Pretend();
    workers.push(worker);
    return worker;
  });
  return { session, last: () => must(workers.at(-1), 'a worker') };
}

describe('one answer from a worker', () => {
  test('comes after the shares that are done, and the worker is let go', () => {
    const { session, last } = opened();
    session.start('what');
    expect([last().asked, session.snapshot().share]).toEqual([['what'], 0]);
    last().onmessage?.({ data: { kind: 'share', share: 0.4 } });
    expect(session.snapshot().share).toBe(0.4);
    last().onmessage?.({ data: { kind: 'done', answer: 'this' } });
    expect(session.snapshot()).toEqual({ share: null, answer: 'this', trouble: null });
    expect(last().ended).toBe(true);
  });

  test('that was for another question is forgotten, and a stopped one never comes', () => {
    const { session, last } = opened();
    session.start('what');
    const first = last();
    session.clear();
    first.onmessage?.({ data: { kind: 'done', answer: 'late' } });
    expect([first.ended, session.snapshot().answer]).toEqual([true, null]);
    session.start('more');
    session.stop();
    expect(session.snapshot()).toEqual({ share: null, answer: null, trouble: null });
  });

  test('that cannot be given says why', () => {
    const { session, last } = opened();
    session.start('what');
    last().onerror?.({ message: 'out of memory' });
    expect(session.snapshot()).toEqual({ share: null, answer: null, trouble: 'out of memory' });
    const broken = new OneAnswer<string, string>(() => {
      throw new Error('no workers here');
    });
    broken.start('what');
    expect(broken.snapshot().trouble).toBe('no workers here');
  });
});
