import { QueryClient } from '@tanstack/react-query';
import { dropDraft, keepDraft, resumeDrafts, settleDraft } from './drafts.ts';
import type { Question } from '../ui/questions.ts';
import { Refused, Unreachable } from './http.ts';
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

/** A shelf that is saved to in this process. */
const shelf = (save: ShelfAccess<Paper>['save']): ShelfAccess<Paper> => ({
  query: { queryKey: ['papers'], queryFn: () => Promise.resolve([]), staleTime: 0 },
  save,
  draftPrefix: 'p-',
  nameOf: ({ id }) => `Paper ${id}`,
});

test('a draft is dropped when just that has been saved; a later one stays, as an edit of what was saved', () => {
  keepDraft('p-', { id: 'a', text: 'one' } as Paper, 4);
  keepDraft('p-', { id: 'a', text: 'two' } as Paper, 4);
  settleDraft('p-', { id: 'a', text: 'one' } as Paper, 5);
  expect(JSON.parse(localStorage.getItem('p-a')!)).toEqual({ document: { id: 'a', text: 'two' }, revision: 5 });
  dropDraft('p-', { id: 'a', text: 'two' } as Paper);
  expect(localStorage.getItem('p-a')).toBeNull();
});

test('what an earlier page left is saved on the revision that it is an edit of, or as new; what is refused stays', async () => {
  keepDraft('p-', { id: 'old', text: 'edited' } as Paper, 4);
  keepDraft('p-', { id: 'new', text: 'begun' } as Paper, undefined);
  keepDraft('p-', { id: 'bad', text: 'refused' } as Paper, 2);
  keepDraft('other-', { id: 'old', text: 'of another shelf' } as Paper, 1);
  localStorage.setItem('p-torn', '{"document":');
  const saved: [string, number | undefined][] = [];
  await resumeDrafts(
    new QueryClient(),
    shelf((document, revision) => {
      saved.push([document.text, revision]);
      return document.id === 'bad'
        ? Promise.reject(new Refused(400, 'no', {}))
        : Promise.resolve({ id: document.id, revision: 5, document });
    }),
  );
  expect(saved.sort()).toEqual([
    ['begun', undefined],
    ['edited', 4],
    ['refused', 2],
  ]);
  expect(localStorage.getItem('p-old')).toBeNull();
  expect(localStorage.getItem('p-new')).toBeNull();
  expect(localStorage.getItem('p-bad')).toContain('refused');
  expect(localStorage.getItem('other-old')).toContain('another shelf');
});

/** A server that has revision 7 of a paper and takes edits of that alone. */
function changedSince(text: string) {
  const saved: string[] = [];
  const access = shelf((document, revision) => {
    if (revision !== 7) {
      const current = { id: document.id, revision: 7, document: { text, id: document.id } };
      return Promise.reject(new Refused(409, 'Changed since.', { current }));
    }
    saved.push(document.text);
    return Promise.resolve({ id: document.id, revision: 8, document });
  });
  return { access, saved };
}

test('where it has been changed elsewhere meanwhile, the person is asked and neither is lost', async () => {
  const asked: Question[] = [];
  const ask = (question: Question): void => void asked.push(question);
  const { access, saved } = changedSince('theirs');
  for (const label of ['Take theirs', 'Keep mine']) {
    keepDraft('p-', { id: 'a', text: 'mine' } as Paper, 4);
    await resumeDrafts(new QueryClient(), access, ask);
    const { about, text, answers } = asked.pop()!;
    expect(about).toBe('p-a');
    expect(text).toContain('Paper a: Changed since.');
    expect(localStorage.getItem('p-a')).toContain('mine');
    expect(saved).toEqual([]);
    answers.find((answer) => answer.label === label)!.act();
    await new Promise((done) => setTimeout(done));
    expect(localStorage.getItem('p-a')).toBeNull();
  }
  expect(saved).toEqual(['mine']);
});

test('nothing is asked where the server has the same already', async () => {
  keepDraft('p-', { id: 'a', text: 'same' } as Paper, 4);
  await resumeDrafts(new QueryClient(), changedSince('same').access, () => {
    throw new Error('asked');
  });
  expect(localStorage.getItem('p-a')).toBeNull();
});

test('without a server nothing is lost, and nothing is saved where there is no draft', async () => {
  let tried = 0;
  const away = shelf(() => {
    tried += 1;
    return Promise.reject(new Unreachable('away'));
  });
  await resumeDrafts(new QueryClient(), away);
  expect(tried).toBe(0);
  keepDraft('p-', { id: 'a', text: 'one' } as Paper, 4);
  await resumeDrafts(new QueryClient(), away);
  expect(tried).toBe(1);
  expect(localStorage.getItem('p-a')).toContain('one');
});
