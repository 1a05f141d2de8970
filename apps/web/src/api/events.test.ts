import type { DocumentChange, Followed } from '@usual-drag/contract';
import { listen } from './events.ts';

/** Connection of the browser. */
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
const connections = (): FakeSource[] => FakeSource.all.filter(({ readyState }) => readyState !== FakeSource.CLOSED);
const last = (): FakeSource => FakeSource.all.at(-1)!;

let page: EventTarget & { hidden: boolean };
const heard: number[] = [];
const added: (readonly Followed[])[] = [];
let refused: number;
let follow: (subjects: readonly Followed[]) => void;

beforeEach(() => {
  jest.useFakeTimers();
  FakeSource.all = [];
  page = Object.assign(new EventTarget(), { hidden: false, querySelector: () => null });
  [heard.length, added.length, refused] = [0, 0, 0];
  Object.assign(globalThis, { EventSource: FakeSource, document: page });
  follow = listen({
    onChange: ({ revision }) => heard.push(revision!),
    onOpen: (subjects) => added.push(subjects),
    onRefused: () => (refused += 1),
  });
});
afterEach(() => jest.useRealTimers());

const change = (revision: number): DocumentChange => ({ kind: 'jobs', id: 'a', revision });

test('a page without subjects still has a connection', () => {
  expect(connections()).toEqual([]);
  follow([]);
  expect(last().follows).toEqual(['']);
  last().answer();
  expect(added).toEqual([[]]);
});

test('the former connection remains until the next one is open, and only its new subjects are added', () => {
  follow([]);
  last().answer();
  follow(['jobs/a']);
  const former = last();
  former.answer();
  follow(['jobs/a', 'instruments']);
  expect(connections()).toHaveLength(2);
  former.say(change(2));
  last().answer();
  last().say(change(3));
  expect(connections()).toEqual([last()]);
  expect(added).toEqual([[], ['jobs/a'], ['instruments']]);
  expect(heard).toEqual([2, 3]);
  follow(['instruments', 'jobs/a']);
  expect(connections()).toEqual([last()]);
});

test('a page that is left at once for another opens no third connection', () => {
  follow([]);
  last().answer();
  follow(['jobs/a']);
  follow(['jobs/b']);
  expect(connections().map(({ follows }) => follows)).toEqual([[''], ['jobs/b']]);
});

test('after a loss all subjects are added again, on one connection', () => {
  follow(['jobs/a']);
  last().answer();
  last().fail(0);
  last().answer();
  expect(added).toEqual([['jobs/a'], ['jobs/a']]);
  expect(connections()).toHaveLength(1);
  // A loss while another connection is being opened: that one is enough.
  follow(['jobs/b']);
  connections()[0]!.fail(0);
  expect(connections()).toEqual([last()]);
  last().answer();
  expect(added.at(-1)).toEqual(['jobs/b']);
});

test('a silent connection is opened again', () => {
  follow(['jobs/a']);
  last().answer();
  jest.advanceTimersByTime(44_000);
  last().dispatchEvent(new Event('alive'));
  jest.advanceTimersByTime(44_000);
  expect(FakeSource.all).toHaveLength(1);
  jest.advanceTimersByTime(2000);
  expect([FakeSource.all.length, connections().length]).toEqual([2, 1]);
});

test('after a refusal it is opened again 5 s later, and each refusal is reported', () => {
  follow([]);
  last().fail(2);
  expect([refused, connections().length]).toEqual([1, 0]);
  jest.advanceTimersByTime(5000);
  expect(connections()).toHaveLength(1);
  last().fail(2);
  expect(refused).toBe(2);
});

test('a hidden page has no connection, and adds all subjects again when it is visible', () => {
  follow(['jobs/a']);
  last().answer();
  page.hidden = true;
  page.dispatchEvent(new Event('visibilitychange'));
  expect(connections()).toEqual([]);
  follow(['jobs/b']);
  expect(connections()).toEqual([]);
  page.hidden = false;
  page.dispatchEvent(new Event('visibilitychange'));
  expect(connections().map(({ follows }) => follows)).toEqual([['jobs/b']]);
  last().answer();
  expect(added.at(-1)).toEqual(['jobs/b']);
});
