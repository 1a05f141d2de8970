import { queryOptions } from '@tanstack/react-query';
import type { CheckedBackup, KeptCopy } from '@usual-drag/contract';
import { answerTo, ask } from './http.ts';

export const backupAddress = '/api/backup';

/** ms until a restoration is given up: it takes as long as writing everything does. */
const restoreTimeoutMs = 600_000;

/** The copies that the server made by itself, the newest first. */
export const copiesQuery = queryOptions({
  queryKey: ['backup', 'copies'],
  queryFn: () => ask<readonly KeptCopy[]>('GET', '/backup/copies'),
  staleTime: 0,
});

/** Has a backup checked; nothing is replaced yet. */
export const checkBackup = (file: Blob) =>
  answerTo<CheckedBackup>('POST', '/backup/check', 'application/vnd.sqlite3', file);
/** The same with one of the server's copies. */
export const checkCopy = (name: string) =>
  ask<CheckedBackup>('POST', `/backup/copies/${name}/check`, undefined, restoreTimeoutMs);
/** Replaces everything by a backup that was checked. */
export const restoreBackup = (id: string) =>
  ask<{ readonly copy: string }>('POST', `/backup/checked/${id}/restore`, undefined, restoreTimeoutMs);
