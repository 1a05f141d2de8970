import type { StoredDocument } from '@usual-drag/contract';
import { nextState, openedState, type DocumentAction, type DocumentState, type Merging } from './document-state.ts';

/** A paper with lines that anybody may add, and a head that one changes at a time. */
interface Paper {
  readonly head: string;
  readonly lines: readonly string[];
}

const lines = (base: Paper | null, mine: Paper, theirs: Paper): readonly string[] => [
  ...theirs.lines.filter((line) => mine.lines.includes(line) || !base?.lines.includes(line)),
  ...mine.lines.filter((line) => !theirs.lines.includes(line) && !base?.lines.includes(line)),
];
const merging: Merging<Paper> = {
  both: (base, mine, theirs) => {
    const isMine = mine.head !== base?.head;
    if (isMine && theirs.head !== base?.head && mine.head !== theirs.head) return null;
    return { head: isMine ? mine.head : theirs.head, lines: lines(base, mine, theirs) };
  },
  choosing: (base, mine, theirs, counts) => ({
    head: counts === 'mine' ? mine.head : theirs.head,
    lines: lines(base, mine, theirs),
  }),
};

const stored = (revision: number, head: string, ...of: string[]): StoredDocument<Paper> => ({
  id: 'a',
  revision,
  updatedAt: '2026-11-27T09:00:00.000Z',
  document: { head, lines: of },
});
const edited = (head: string, ...of: string[]): DocumentAction<Paper> => ({
  type: 'edited',
  document: { head, lines: of },
});
const sent: DocumentAction<Paper> = { type: 'sent' };
const after = (state: DocumentState<Paper>, ...actions: DocumentAction<Paper>[]): DocumentState<Paper> =>
  actions.reduce((now, action) => nextState(now, action, merging), state);

const opened = openedState(stored(4, 'head', 'one'));

test('what another device had saved meanwhile is on the screen once mine is saved', () => {
  const done = after(opened, edited('head', 'one', 'mine'), sent, {
    type: 'saved',
    stored: stored(6, 'head', 'one', 'theirs', 'mine'),
  });
  expect(done).toMatchObject({
    revision: 6,
    document: { lines: ['one', 'theirs', 'mine'] },
    saving: { kind: 'saved' },
  });
});

test('what was typed since it was sent stays, on top of what came of both', () => {
  const typing = after(opened, edited('head', 'one', 'mine'), sent, edited('head', 'one', 'mine', 'more'));
  const joined = after(typing, { type: 'saved', stored: stored(6, 'head', 'one', 'theirs', 'mine') });
  expect(joined).toMatchObject({
    document: { lines: ['one', 'theirs', 'mine', 'more'] },
    saving: { kind: 'unsaved' },
    revision: 6,
  });
  const other = after(opened, edited('head', 'one', 'mine'), sent, edited('another', 'one', 'mine'), {
    type: 'saved',
    stored: stored(6, 'theirs', 'one', 'mine'),
  });
  expect(other.saving).toMatchObject({ kind: 'conflict', theirs: { revision: 6 } });
});

test('undo takes back what was done here, never what another device did', () => {
  const mine = after(opened, edited('head', 'one', 'mine'), sent, {
    type: 'saved',
    stored: stored(5, 'head', 'one', 'mine'),
  });
  const both = after(mine, { type: 'refreshed', stored: stored(6, 'head', 'one', 'mine', 'theirs') });
  expect(both).toMatchObject({ document: { lines: ['one', 'mine', 'theirs'] }, saving: { kind: 'saved' } });
  const undone = after(both, { type: 'undone' });
  expect(undone).toMatchObject({ document: { lines: ['one', 'theirs'] }, saving: { kind: 'unsaved' } });
  expect(after(undone, { type: 'redone' }).document.lines).toEqual(['one', 'mine', 'theirs']);
});

test('a head that another device changed can be undone, its lines not', () => {
  const both = after(opened, { type: 'refreshed', stored: stored(5, 'theirs', 'one', 'their line') });
  expect(both.document).toEqual({ head: 'theirs', lines: ['one', 'their line'] });
  expect(after(both, { type: 'undone' }).document).toEqual({ head: 'head', lines: ['one', 'their line'] });
  const linesOnly = after(opened, { type: 'refreshed', stored: stored(5, 'head', 'one', 'their line') });
  expect(linesOnly.past).toEqual([]);
});

test('whichever head is chosen, the lines of both stay', () => {
  const asked = after(opened, edited('mine', 'one', 'my line'), sent, {
    type: 'conflicted',
    theirs: stored(5, 'theirs', 'one', 'their line'),
  });
  expect(after(asked, { type: 'keptMine' })).toMatchObject({
    revision: 5,
    document: { head: 'mine', lines: ['one', 'their line', 'my line'] },
    saving: { kind: 'unsaved' },
  });
  expect(after(asked, { type: 'tookTheirs' })).toMatchObject({
    revision: 5,
    document: { head: 'theirs', lines: ['one', 'their line', 'my line'] },
    saving: { kind: 'unsaved' },
    aside: { revision: 4 },
  });
  // Mine is a document of its own then, with its lines.
  expect(after(asked, { type: 'tookTheirs', mineIsKept: true })).toMatchObject({
    document: { head: 'theirs', lines: ['one', 'their line'] },
    saving: { kind: 'saved' },
  });
});
