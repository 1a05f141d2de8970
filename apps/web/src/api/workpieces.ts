import type { Workpiece } from '@usual-drag/core';
import { ask } from './http.ts';
import type { ShelfAccess } from './shelf.ts';

/** The meters under way in the workshop, to be read and saved. */
export const workpieceShelf: ShelfAccess<Workpiece> = {
  query: { queryKey: ['workpieces'], queryFn: () => ask('GET', '/workpieces'), staleTime: Infinity },
  save: (document, revision) => ask('PUT', `/workpieces/${encodeURIComponent(document.id)}`, { document, revision }),
  draftPrefix: 'usual-drag-workpiece-',
  nameOf: ({ title }) => title ?? 'Untitled',
};
