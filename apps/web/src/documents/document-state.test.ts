import type { StoredDocument } from '@usual-drag/contract';
import fc from 'fast-check';
import {
  isUnsaved,
  nextState,
  openedState,
  unsavedState,
  type DocumentAction,
  type DocumentState,
} from './document-state.ts';

interface Paper {
  readonly text: string;
}
const paper = (text: string): Paper => ({ text });
const stored = (revision: number, text: string): StoredDocument<Paper> => ({
  id: 'a',
  revision,
  updatedAt: `2026-11-26T16:0${revision}:00.000Z`,
  document: paper(text),
});
const after = (state: DocumentState<Paper>, ...actions: DocumentAction<Paper>[]): DocumentState<Paper> =>
  actions.reduce((now, action) => nextState(now, action), state);
const edited = (text: string, amend = false): DocumentAction<Paper> => ({
  type: 'edited',
  document: paper(text),
  amend,
});
const sent: DocumentAction<Paper> = { type: 'sent' };
const saved = (revision: number, text: string): DocumentAction<Paper> => ({
  type: 'saved',
  stored: stored(revision, text),
});
const conflicted = (theirs: StoredDocument<Paper> | null): DocumentAction<Paper> => ({ type: 'conflicted', theirs });

const opened = openedState(stored(4, 'four'));

describe('editing', () => {
  test('an edit is unsaved and can be undone and done again', () => {
    const one = after(opened, edited('five'));
    expect(one).toMatchObject({ document: paper('five'), saving: { kind: 'unsaved' }, revision: 4 });
    const back = after(one, { type: 'undone' });
    expect(back.document).toBe(opened.document);
    expect(back.saving.kind).toBe('saved');
    expect(after(back, { type: 'redone' }).document.text).toBe('five');
  });

  test('nothing to undo, nothing to do again, and an edit that changes nothing leave all as it is', () => {
    expect(after(opened, { type: 'undone' })).toBe(opened);
    expect(after(opened, { type: 'redone' })).toBe(opened);
    expect(after(opened, { type: 'edited', document: opened.document })).toBe(opened);
  });

  test('an amended edit is undone together with the one before; a new edit forgets what was undone', () => {
    const word = after(opened, edited('w'), edited('wo', true), edited('word', true));
    expect(after(word, { type: 'undone' }).document.text).toBe('four');
    expect(after(word, { type: 'undone' }, edited('other')).future).toEqual([]);
  });

  test('undone back to what was saved while an answer is missing is still to be saved', () => {
    const lost = after(opened, edited('five'), sent, { type: 'unreachable' }, { type: 'undone' });
    expect(lost.saving.kind).toBe('unreachable');
    expect(after(lost, sent, saved(6, 'four'))).toMatchObject({
      revision: 6,
      saving: { kind: 'saved' },
      unanswered: [],
    });
  });
});

describe('saving', () => {
  test('sent and confirmed', () => {
    const done = after(opened, edited('five'), sent, saved(5, 'five'));
    expect(done).toMatchObject({
      revision: 5,
      savedAt: stored(5, '').updatedAt,
      saving: { kind: 'saved' },
      stored: paper('five'),
    });
    expect(isUnsaved(done)).toBe(false);
  });

  test('an edit while one is being sent waits for the answer, and is one of the revision that this made', () => {
    const typing = after(opened, edited('five'), sent, edited('six'));
    expect(typing.saving).toEqual({ kind: 'sending', document: paper('five') });
    expect(after(typing, saved(5, 'five'))).toMatchObject({
      revision: 5,
      document: paper('six'),
      saving: { kind: 'unsaved' },
    });
  });

  test('no answer: kept, sent again; what the server then has of it is no other window’s', () => {
    const lost = after(opened, edited('five'), sent, { type: 'unreachable' });
    expect(lost).toMatchObject({ saving: { kind: 'unreachable' }, revision: 4, unanswered: [paper('five')] });
    const further = after(lost, edited('six'), sent, conflicted(stored(5, 'five')));
    expect(further).toMatchObject({ saving: { kind: 'unsaved' }, revision: 5, document: paper('six') });
    expect(after(further, sent, saved(6, 'six')).saving.kind).toBe('saved');
  });

  test('a disk that is full keeps the edit unsaved, and it can be sent again', () => {
    const full = after(opened, edited('five'), sent, { type: 'failed', message: 'the disk is full' });
    expect(full.saving).toEqual({ kind: 'failed', message: 'the disk is full' });
    expect(isUnsaved(full)).toBe(true);
    expect(after(full, edited('six')).saving.kind).toBe('failed');
    expect(after(full, sent, saved(5, 'five')).saving.kind).toBe('saved');
  });

  test('what is refused waits for an edit; what was typed meanwhile is sent', () => {
    const refused = after(opened, edited('five'), sent, { type: 'refused', message: 'too long' });
    expect(refused.saving).toEqual({ kind: 'refused', message: 'too long' });
    expect(after(refused, edited('six')).saving.kind).toBe('unsaved');
    expect(after(refused, { type: 'undone' }).saving.kind).toBe('saved');
    const typed = after(opened, edited('five'), sent, edited('six'), { type: 'refused', message: 'too long' });
    expect(typed.saving.kind).toBe('unsaved');
  });
});

describe('two windows', () => {
  const conflict = after(opened, edited('mine'), sent, conflicted(stored(5, 'theirs')));

  test('a newer version is asked about, and the edit keeps the revision that it is one of', () => {
    expect(conflict).toMatchObject({ saving: { kind: 'conflict', theirs: stored(5, 'theirs') }, revision: 4 });
    expect(after(conflict, edited('mine still'))).toMatchObject({ saving: { kind: 'conflict' }, revision: 4 });
  });

  test('the same document is not asked about', () => {
    expect(after(opened, edited('same'), sent, conflicted(stored(7, 'same')))).toMatchObject({
      revision: 7,
      saving: { kind: 'saved' },
    });
  });

  test('mine: sent on top of theirs', () => {
    const mine = after(conflict, { type: 'keptMine' });
    expect(mine).toMatchObject({ revision: 5, document: paper('mine'), saving: { kind: 'unsaved' } });
  });

  test('theirs: mine can be undone to, and goes into the history', () => {
    const theirs = after(conflict, { type: 'tookTheirs' });
    expect(theirs).toMatchObject({ revision: 5, document: paper('theirs'), saving: { kind: 'saved' } });
    expect(theirs.aside).toEqual({ revision: 4, document: paper('mine') });
    expect(isUnsaved(theirs)).toBe(true);
    expect(isUnsaved(after(theirs, { type: 'setAside' }))).toBe(false);
    expect(after(theirs, { type: 'undone' })).toMatchObject({ document: paper('mine'), saving: { kind: 'unsaved' } });
  });

  test('both: mine is a document of its own already', () => {
    expect(after(conflict, { type: 'tookTheirs', mineIsKept: true }).aside).toBeNull();
  });

  test('one that was deleted is asked about; mine is then new, and theirs cannot be taken', () => {
    const gone = after(opened, edited('mine'), sent, conflicted(null));
    expect(gone.saving).toEqual({ kind: 'conflict', theirs: null });
    expect(after(gone, { type: 'tookTheirs' })).toBe(gone);
    expect(after(gone, { type: 'keptMine' })).toMatchObject({ revision: null, saving: { kind: 'unsaved' } });
  });

  test('answers to a question that is not open change nothing', () => {
    expect(after(opened, { type: 'keptMine' })).toBe(opened);
    expect(after(opened, { type: 'tookTheirs' })).toBe(opened);
  });

  test('a draft of an earlier page keeps the revision that it is an edit of, reload after reload', () => {
    let state = unsavedState({ document: paper('mine'), revision: 4 });
    for (let reload = 0; reload < 3; reload += 1) {
      state = after(state, sent, conflicted(stored(5 + reload, 'theirs')));
      expect(state).toMatchObject({ revision: 4, saving: { kind: 'conflict' } });
      state = unsavedState({ document: state.document, revision: state.revision });
    }
  });

  test('a newer version seen by the way is taken where nothing is under way, and only there', () => {
    expect(after(opened, { type: 'refreshed', stored: stored(6, 'six') })).toMatchObject({
      revision: 6,
      document: paper('six'),
      saving: { kind: 'saved' },
    });
    const typing = after(opened, edited('mine'));
    expect(after(typing, { type: 'refreshed', stored: stored(6, 'six') })).toBe(typing);
    expect(after(opened, { type: 'refreshed', stored: stored(4, 'four') })).toBe(opened);
    expect(after(opened, { type: 'refreshed', stored: stored(3, 'three') })).toBe(opened);
  });
});

test('whatever happens, nothing typed is called saved that the server has not confirmed', () => {
  const action = fc.oneof(
    fc.string({ maxLength: 3 }).map((text) => edited(text)),
    fc.constantFrom<DocumentAction<Paper>>(
      { type: 'undone' },
      { type: 'redone' },
      { type: 'keptMine' },
      { type: 'tookTheirs' },
    ),
    fc.constantFrom('answer', 'silence', 'full', 'conflict', 'lost'),
  );
  fc.assert(
    fc.property(fc.array(action, { maxLength: 30 }), (steps) => {
      // A server beside it, which keeps every version that it confirmed or was told to set aside.
      let server = stored(4, 'four');
      const seen = new Set(['four']);
      let state = opened;
      const send = (): boolean => !['saved', 'conflict', 'sending', 'refused'].includes(state.saving.kind);
      for (const step of steps) {
        if (typeof step !== 'string') {
          state = after(state, step);
          if (state.aside) {
            seen.add(state.aside.document.text);
            state = after(state, { type: 'setAside' });
          }
          continue;
        }
        if (step === 'conflict') {
          server = stored((server.revision % 9) + 1, `other ${server.revision}`);
          continue;
        }
        if (!send()) continue;
        state = after(state, sent);
        const fits = state.revision === server.revision;
        if (fits && (step === 'answer' || step === 'lost')) {
          server = { ...server, revision: (server.revision % 9) + 1, document: state.document };
          seen.add(state.document.text);
        }
        if (step === 'silence' || step === 'lost') state = after(state, { type: 'unreachable' });
        else if (step === 'full') state = after(state, { type: 'failed', message: 'full' });
        else state = after(state, fits ? { type: 'saved', stored: server } : conflicted(server));
      }
      if (state.saving.kind === 'saved')
        expect(seen.has(state.document.text) || state.document.text.startsWith('other')).toBe(true);
    }),
    { numRuns: 500 },
  );
});
