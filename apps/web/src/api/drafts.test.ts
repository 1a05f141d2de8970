import { QueryClient } from '@tanstack/react-query';
import { dropDraft, keepDraft, resumeDrafts } from './drafts.ts';
import type { ShelfAccess } from './shelf.ts';

interface Paper {
  readonly id: string;
  readonly text: string;
}

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

beforeEach(() => {
  (globalThis as { localStorage: unknown }).localStorage = new Store();
});

/** A shelf that is asked for and saved to in this process. */
function shelf(there: readonly Paper[], save: ShelfAccess<Paper>['save']): ShelfAccess<Paper> {
  const list = there.map((document) => ({ id: document.id, revision: 4, document }));
  return {
    query: { queryKey: ['papers'], queryFn: () => Promise.resolve(list), staleTime: 0 },
    save,
    draftPrefix: 'p-',
  };
}

test('a draft is dropped when just that has been saved; a later one stays', () => {
  keepDraft('p-', { id: 'a', text: 'one' } as Paper);
  keepDraft('p-', { id: 'a', text: 'two' } as Paper);
  dropDraft('p-', { id: 'a', text: 'one' } as Paper);
  expect(localStorage.getItem('p-a')).toContain('two');
  dropDraft('p-', { id: 'a', text: 'two' } as Paper);
  expect(localStorage.getItem('p-a')).toBeNull();
});

test('what an earlier page left is saved on its newest revision, or as new; what is refused stays', async () => {
  keepDraft('p-', { id: 'old', text: 'edited' } as Paper);
  keepDraft('p-', { id: 'new', text: 'begun' } as Paper);
  keepDraft('p-', { id: 'bad', text: 'refused' } as Paper);
  keepDraft('other-', { id: 'old', text: 'of another shelf' } as Paper);
  const saved: [string, number | undefined][] = [];
  await resumeDrafts(
    new QueryClient(),
    shelf([{ id: 'old', text: 'kept' }], (document, revision) => {
      saved.push([document.text, revision]);
      return document.id === 'bad'
        ? Promise.reject(new Error('refused'))
        : Promise.resolve({ id: document.id, revision: 5, document });
    }),
  );
  expect(saved.sort()).toEqual([
    ['begun', undefined],
    ['edited', 4],
    ['refused', undefined],
  ]);
  expect(localStorage.getItem('p-old')).toBeNull();
  expect(localStorage.getItem('p-new')).toBeNull();
  expect(localStorage.getItem('p-bad')).toContain('refused');
  expect(localStorage.getItem('other-old')).toContain('another shelf');
});

test('without a server nothing is lost, and nothing is asked for where there is no draft', async () => {
  let asked = 0;
  const away: ShelfAccess<Paper> = {
    query: { queryKey: ['papers'], queryFn: () => Promise.reject(new Error(String(++asked))), staleTime: 0 },
    save: () => Promise.reject(new Error('away')),
    draftPrefix: 'p-',
  };
  await resumeDrafts(new QueryClient(), away);
  expect(asked).toBe(0);
  keepDraft('p-', { id: 'a', text: 'one' } as Paper);
  await resumeDrafts(new QueryClient(), away);
  expect(asked).toBe(1);
  expect(localStorage.getItem('p-a')).toContain('one');
});
