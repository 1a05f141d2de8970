import type { DamagedDocument, DocumentKind, DocumentOfKind, History, StoredDocument } from '@usual-drag/contract';
import { queryOptions } from '@tanstack/react-query';
import { serverAddress } from './base-path.ts';
import { ask } from './http.ts';

const pathOf = (kind: DocumentKind, id: string): string => `${kind}/${encodeURIComponent(id)}`;

/** @param revision  that the edit was based on; null for a new document */
export const saveDocument = <K extends DocumentKind>(
  kind: K,
  id: string,
  document: DocumentOfKind[K],
  revision: number | null,
) =>
  ask<StoredDocument<DocumentOfKind[K]>>('PUT', `/${pathOf(kind, id)}`, {
    document,
    ...(revision !== null && { revision }),
  });

/** Puts a version that was not taken into the history of its document. */
export const setVersionAside = (kind: DocumentKind, id: string, version: { revision: number; document: unknown }) =>
  ask<undefined>('POST', `/history/${pathOf(kind, id)}`, version);

export const readHistory = (kind: DocumentKind, id: string, before: number | null) =>
  ask<History>('GET', `/history/${pathOf(kind, id)}${before === null ? '' : `?before=${before}`}`);

export const versionQuery = <K extends DocumentKind>(kind: K, id: string, entry: number) =>
  queryOptions({
    queryKey: ['history', kind, id, entry],
    queryFn: () => ask<StoredDocument<DocumentOfKind[K]>>('GET', `/history/${pathOf(kind, id)}/${entry}`),
    staleTime: Infinity,
  });

/** Deletes what is archived, with its history, for good. */
export const deleteForGood = (kind: DocumentKind, id: string) =>
  ask<undefined>('DELETE', `/archived/${pathOf(kind, id)}`);

export const damagedQuery = queryOptions({
  queryKey: ['damaged'],
  queryFn: () => ask<DamagedDocument[]>('GET', '/damaged'),
});
export const damagedAddress = ({ kind, id }: DamagedDocument): string =>
  serverAddress(`api/damaged/${kind}/${encodeURIComponent(id)}`);
