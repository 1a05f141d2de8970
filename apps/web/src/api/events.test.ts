import type { DocumentChange, Followed } from '@usual-drag/contract';
import { listen } from './events.ts';

/** Line to the server as the browser has it. */
class FakeSource extends EventTarget {
  static readonly CLOSED = 2;
  static all: FakeSource[] = [];
  readyState = 0;
  constructor(readonly url: string) {
    super();
    FakeSource.all.push(this);
  }
  get follows(): string[] {
    return new URL(this.url, 'http://server').searchParams.getAll('follow');
  }
  close(): void {
    this.readyState = FakeSource.CLOSED;
  }
  answer(): void {
    this.readyState = 1;
    this.dispatchEvent(new Event('open'));
  }
  /** @param state  0 if it is tried again, 2 if the server refused it */
  fail(state: 0 | 2): void {
    this.readyState = state;
    this.dispatchEvent(new Event('error'));
  }
  say(change: DocumentChange): void {
    this.dispatchEvent(Object.assign(new Event('message'), { data: JSON.stringify(change) }));
  }
}
const lines = (): FakeSource[] => FakeSource.all.filter(({ readyState }) => readyState !== FakeSource.CLOSED);
const last = (): FakeSource => FakeSource.all.at(-1)!;

let page: EventTarget & { hidden: boolean };
const heard: number[] = [];
const begun: (readonly Followed[])[] = [];
let turnedAway: number;
let follow: (subjects: readonly Followed[]) => void;

beforeEach(() => {
  jest.useFakeTimers();
  FakeSource.all = [];
  page = Object.assign(new EventTarget(), { hidden: false });
  [heard.length, begun.length, turnedAway] = [0, 0, 0];
  Object.assign(globalThis, { EventSource: FakeSource, document: page });
  follow = listen({
    onChange: ({ revision }) => heard.push(revision!),
    onOpen: (subjects) => begun.push(subjects),
    onTurnedAway: () => (turnedAway += 1),
  });
});
afterEach(() => jest.useRealTimers());

const change = (revision: number): DocumentChange => ({ kind: 'jobs', id: 'a', revision });

test('a page that shows nothing of the server still hears whether it is there', () => {
  expect(last().follows).toEqual(['']);
  last().answer();
  expect(begun).toEqual([[]]);
});

test('the former line stays until the next one is open, and only what is new there is begun', () => {
  last().answer();
  follow(['jobs/a']);
  const former = last();
  former.answer();
  follow(['jobs/a', 'instruments']);
  expect(lines()).toHaveLength(2);
  former.say(change(2));
  last().answer();
  last().say(change(3));
  expect(lines()).toEqual([last()]);
  expect(begun).toEqual([[], ['jobs/a'], ['instruments']]);
  expect(heard).toEqual([2, 3]);
  follow(['instruments', 'jobs/a']);
  expect(lines()).toEqual([last()]);
});

test('a page that is left at once for another opens no third line', () => {
  last().answer();
  follow(['jobs/a']);
  follow(['jobs/b']);
  expect(lines().map(({ follows }) => follows)).toEqual([[''], ['jobs/b']]);
});

test('after a break everything is begun anew, on one line', () => {
  follow(['jobs/a']);
  last().answer();
  last().fail(0);
  last().answer();
  expect(begun).toEqual([['jobs/a'], ['jobs/a']]);
  expect(lines()).toHaveLength(1);
  // A break while another line is being opened: that one is enough.
  follow(['jobs/b']);
  lines()[0]!.fail(0);
  expect(lines()).toEqual([last()]);
  last().answer();
  expect(begun.at(-1)).toEqual(['jobs/b']);
});

test('a line without a sign of life is opened again', () => {
  follow(['jobs/a']);
  last().answer();
  jest.advanceTimersByTime(44_000);
  last().dispatchEvent(new Event('alive'));
  jest.advanceTimersByTime(44_000);
  expect(FakeSource.all).toHaveLength(2);
  jest.advanceTimersByTime(2000);
  expect([FakeSource.all.length, lines().length]).toEqual([3, 1]);
});

test('refused, it tries again after a while, and says so each time', () => {
  last().fail(2);
  expect([turnedAway, lines().length]).toEqual([1, 0]);
  jest.advanceTimersByTime(5000);
  expect(lines()).toHaveLength(1);
  last().fail(2);
  expect(turnedAway).toBe(2);
});

test('a hidden page has no line, and begins anew when it is seen again', () => {
  follow(['jobs/a']);
  last().answer();
  page.hidden = true;
  page.dispatchEvent(new Event('visibilitychange'));
  expect(lines()).toEqual([]);
  follow(['jobs/b']);
  expect(lines()).toEqual([]);
  page.hidden = false;
  page.dispatchEvent(new Event('visibilitychange'));
  expect(lines().map(({ follows }) => follows)).toEqual([['jobs/b']]);
  last().answer();
  expect(begun.at(-1)).toEqual(['jobs/b']);
});
