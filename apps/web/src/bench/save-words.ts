import type { SaveState } from './bench-store.ts';

/** How the last edit stands, in words for the top bar. */
export function saveWords(save: SaveState, savedAt: string | null, revision: number): string {
  switch (save.kind) {
    case 'saved':
      return savedAt ? `saved ${clock(savedAt)}, revision ${revision}` : '';
    case 'unsaved':
    case 'saving':
      return 'saving …';
    case 'offline':
      return 'not saved: no answer from the server. Kept in this browser, trying again';
    case 'refused':
      return `not saved: ${save.message}`;
    case 'conflict':
      return 'not saved: changed in another window';
  }
}

const clock = (at: string): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
