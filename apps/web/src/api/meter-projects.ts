import type { MeterProject } from '@usual-drag/core';
import { ask } from './http.ts';
import type { ShelfAccess } from './shelf.ts';

/** The meters under way in the workshop, to be read and saved. */
export const meterProjectShelf: ShelfAccess<MeterProject> = {
  query: { queryKey: ['meter-projects'], queryFn: () => ask('GET', '/meter-projects'), staleTime: Infinity },
  save: (document, revision) =>
    ask('PUT', `/meter-projects/${encodeURIComponent(document.id)}`, { document, revision }),
  draftPrefix: 'usual-drag-meter-project-',
  nameOf: ({ title }) => title ?? 'Untitled',
};
