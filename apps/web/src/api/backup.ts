import { queryOptions } from '@tanstack/react-query';
import type { CheckedBackup, KeptCopy } from '@usual-drag/contract';
import { serverAddress } from './base-path.ts';
import { answerTo, ask } from './http.ts';

export const backupAddress = serverAddress('api/backup');

/** ms until a restoration times out; it rewrites the whole database. */
const restoreTimeoutMs = 600_000;

/** The server's automatic copies, the newest first. */
export const copiesQuery = queryOptions({
  queryKey: ['backup', 'copies'],
  queryFn: () => ask<readonly KeptCopy[]>('GET', '/backup/copies'),
  staleTime: 0,
});

/** Uploads a backup to be checked; nothing is replaced yet. */
export const checkBackup = (file: Blob) =>
  answerTo<CheckedBackup>('POST', '/backup/check', 'application/vnd.sqlite3', file);
/** Has one of the server's copies checked. */
export const checkCopy = (name: string) =>
  ask<CheckedBackup>('POST', `/backup/copies/${name}/check`, undefined, restoreTimeoutMs);
/** Replaces all data with the checked backup. */
export const restoreBackup = (id: string) =>
  ask<{ readonly copy: string }>('POST', `/backup/checked/${id}/restore`, undefined, restoreTimeoutMs);
