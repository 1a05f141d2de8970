import type { SaveState } from './document-state.ts';
import { isTrouble, saveWords } from './save-words.ts';

const words = (saving: SaveState<unknown>, unkept = false): string =>
  saveWords({ saving, savedAt: '2026-11-24T12:34:00', unanswered: [] }, unkept);

test('the state of saving in words', () => {
  expect(words({ kind: 'saved' })).toBe('Saved 12:34');
  expect(saveWords({ saving: { kind: 'saved' }, savedAt: null, unanswered: [] })).toBe('');
  expect(words({ kind: 'unreachable' })).toContain('Stored in this browser');
  expect(words({ kind: 'failed', message: 'Not saved: the disk is full.' })).toBe(
    'Not saved: the disk is full. Stored in this browser, retrying',
  );
  expect(words({ kind: 'failed', message: 'Not saved: the disk is full.' }, true)).toContain('Keep this window open');
  expect(words({ kind: 'refused', message: 'too large' })).toBe('Not saved: too large');
  expect(words({ kind: 'conflict', theirs: null })).toContain('another window');
});

test('what was sent and not answered is trouble until it is, however often it is sent again', () => {
  const again = { saving: { kind: 'sending', document: 1 }, savedAt: null, unanswered: [1] } as const;
  expect(saveWords(again)).toBe('Not saved: the server does not answer. Stored in this browser, retrying');
  expect(isTrouble(again)).toBe(true);
  expect(saveWords({ ...again, unanswered: [] })).toBe('Saving …');
  expect(isTrouble({ saving: { kind: 'saved' }, unanswered: [1] })).toBe(false);
});

test('what a person should look at stands out', () => {
  const trouble = (saving: SaveState<unknown>): boolean => isTrouble({ saving, unanswered: [] });
  const quiet: SaveState<unknown>[] = [{ kind: 'saved' }, { kind: 'unsaved' }, { kind: 'sending', document: 1 }];
  expect(quiet.some(trouble)).toBe(false);
  expect(trouble({ kind: 'unreachable' })).toBe(true);
  expect(trouble({ kind: 'conflict', theirs: null })).toBe(true);
});
