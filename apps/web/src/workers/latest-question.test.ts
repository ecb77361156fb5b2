import { beforeEach, describe, expect, test } from '@jest/globals';
import { at } from '@spare-knot/core/lists';
import { type AnsweringWorker, LatestQuestion } from './latest-question';

interface Question {
  of: string;
}
type Answer = Question;

class Hand implements AnsweringWorker<Question, Answer> {
  readonly asked: (Question & { run: number })[] = [];
  ended = false;
  onmessage: AnsweringWorker<Question, Answer>['onmessage'] = null;
  onerror: AnsweringWorker<Question, Answer>['onerror'] = null;
  postMessage(question: Question & { run: number }) {
    this.asked.push(question);
  }
  terminate() {
    this.ended = true;
  }
  answer() {
    this.onmessage?.({ data: at(this.asked, -1) });
  }
}

let hands: Hand[];
let desk: LatestQuestion<Question, Answer>;
beforeEach(() => {
  hands = [];
  desk = new LatestQuestion(() => {
    hands.push(new Hand());
    return at(hands, -1);
  });
});

describe('questions to a worker', () => {
  test('while it is busy only the latest waits, and the answer before stays until there is another', () => {
    for (const about of ['a', 'b', 'c', 'd']) desk.ask({ of: about });
    const hand = at(hands, 0);
    expect(hand.asked.map(({ of }) => of)).toEqual(['a']);
    hand.answer();
    expect(hand.asked.map(({ of }) => of)).toEqual(['a', 'd']);
    expect(desk.snapshot().answer?.of).toBe('a');
    hand.answer();
    expect(desk.snapshot().answer?.of).toBe('d');
    expect(hands).toHaveLength(1);
  });

  test('a worker that fails is let go, its trouble is said, and what waits is asked of a new one', () => {
    desk.ask({ of: 'a' });
    desk.ask({ of: 'b' });
    at(hands, 0).onerror?.({ message: 'out of memory' });
    expect(desk.snapshot().trouble).toBe('out of memory');
    expect([at(hands, 0).ended, hands.length]).toEqual([true, 2]);
    at(hands, 1).answer();
    expect(desk.snapshot()).toMatchObject({ answer: { of: 'b' }, trouble: null });
  });

  test('after it is closed nothing is waited for', () => {
    desk.ask({ of: 'a' });
    desk.ask({ of: 'b' });
    desk.close();
    expect(at(hands, 0).ended).toBe(true);
    desk.ask({ of: 'c' });
    expect(at(hands, 1).asked.map(({ of }) => of)).toEqual(['c']);
  });
});
