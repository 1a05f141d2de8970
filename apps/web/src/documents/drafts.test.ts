import type * as Drafts from './drafts.ts';

/** The browser's store, as far as drafts use it. */
class Store {
  [key: string]: unknown;
  getItem(key: string): string | null {
    return Object.hasOwn(this, key) ? (this[key] as string) : null;
  }
  setItem(key: string, value: string): void {
    this[key] = value;
  }
  removeItem(key: string): void {
    Reflect.deleteProperty(this, key);
  }
}

const held = new Set<string>();
const locks = {
  request: async (name: string, work: () => Promise<unknown>): Promise<unknown> => {
    held.add(name);
    const done = await work();
    held.delete(name);
    return done;
  },
  query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
};

beforeEach(() => {
  held.clear();
  Object.assign(globalThis, { localStorage: new Store() });
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
});

/** A window of its own: the module, loaded anew. */
function openWindow(): typeof Drafts {
  let opened!: typeof Drafts;
  jest.isolateModules(() => {
    opened = jest.requireActual<typeof Drafts>('./drafts.ts');
  });
  opened.holdWindow();
  return opened;
}
/** Ends the windows that are open. */
const closeAll = (): void => held.clear();

const draft = (text: string, revision: number | null = 4) => ({ document: { text }, revision });

test('a draft of a window that is gone is taken over, once; one of a window that is open is not', async () => {
  const first = openWindow();
  first.keepDraft('jobs', 'a', draft('typed'));
  const second = openWindow();
  expect(await second.takeOverDrafts()).toEqual([]);
  closeAll();
  const third = openWindow();
  const fourth = openWindow();
  const [one, other] = await Promise.all([third.takeOverDrafts(), fourth.takeOverDrafts()]);
  expect([...one, ...other]).toMatchObject([{ kind: 'jobs', id: 'a', draft: draft('typed') }]);
});

test('two windows keep drafts of one document apart; both are taken over, one after the other', async () => {
  const first = openWindow();
  const second = openWindow();
  first.keepDraft('instruments', 'shop/1', draft('one'));
  second.keepDraft('instruments', 'shop/1', draft('two', null));
  closeAll();
  const later = openWindow();
  const taken = await later.takeOverDrafts();
  expect(taken).toHaveLength(1);
  later.dropDraft('instruments', 'shop/1');
  const rest = await later.takeOverDrafts();
  expect(
    [...taken, ...rest].map(({ id, draft: { document } }) => [id, (document as { text: string }).text]).sort(),
  ).toEqual([
    ['shop/1', 'one'],
    ['shop/1', 'two'],
  ]);
});

test('drafts of earlier versions of the page are found; what is torn or foreign is left alone', async () => {
  localStorage.setItem('usual-drag-draft-job-1', JSON.stringify(draft('job')));
  localStorage.setItem('usual-drag-shelf-shop/1', JSON.stringify({ document: { id: 'shop/1' } }));
  localStorage.setItem('usual-drag-workpiece-p', JSON.stringify(draft('project')));
  localStorage.setItem('usual-drag-draft-torn', '{"document":');
  localStorage.setItem('usual-drag-theme', 'dark');
  const taken = await openWindow().takeOverDrafts();
  expect(taken.map(({ kind, id, draft: { revision } }) => [kind, id, revision])).toEqual([
    ['jobs', 'job-1', 4],
    ['instruments', 'shop/1', null],
    ['meter-projects', 'p', 4],
  ]);
  expect(localStorage.getItem('usual-drag-theme')).toBe('dark');
  expect(localStorage.getItem('usual-drag-draft-torn')).not.toBeNull();
});

test('a store that is full says so and keeps what it had', () => {
  const window = openWindow();
  window.keepDraft('jobs', 'a', draft('kept'));
  const store = localStorage as unknown as Store;
  store.setItem = () => {
    throw new Error('QuotaExceededError');
  };
  expect(window.keepDraft('jobs', 'a', draft('more'))).toBe(false);
  expect(Object.values(store).some((text) => typeof text === 'string' && text.includes('kept'))).toBe(true);
});
