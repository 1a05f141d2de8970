import { clock } from '../ui/words.ts';
import type { DocumentState } from './document-state.ts';

/** Returns the state of saving in words; `unkept` if the browser could not store the edit either. */
export function saveWords(
  { saving, savedAt, unanswered }: Pick<DocumentState<unknown>, 'saving' | 'savedAt' | 'unanswered'>,
  unkept = false,
): string {
  const kept = unkept ? 'Keep this window open: the browser’s storage is full' : 'Stored in this browser, retrying';
  switch (saving.kind) {
    case 'saved':
      return savedAt ? `Saved ${clock(savedAt)}` : '';
    case 'unsaved':
    case 'sending':
      // Sent again: whether the server is there shows when it answers.
      if (unanswered.length > 0) return `Not saved: the server does not answer. ${kept}`;
      return unkept ? `Saving … ${kept}` : 'Saving …';
    case 'unreachable':
      return `Not saved: the server does not answer. ${kept}`;
    case 'failed':
      return `${saving.message} ${kept}`;
    case 'refused':
      return `Not saved: ${saving.message}`;
    case 'conflict':
      return 'Not saved: changed in another window or on another device';
  }
}

/** Returns whether the state needs attention. */
export const isTrouble = ({
  saving: { kind },
  unanswered,
}: Pick<DocumentState<unknown>, 'saving' | 'unanswered'>): boolean =>
  kind === 'unreachable' ||
  kind === 'failed' ||
  kind === 'refused' ||
  kind === 'conflict' ||
  (kind !== 'saved' && unanswered.length > 0);
