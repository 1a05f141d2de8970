import type { ShelvedInstrument } from '@usual-drag/contract';
import { instrumentForJob, type Instrument, type Kit, type KitInstrument } from '@usual-drag/core';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';
import type { ShelfAccess } from './shelf.ts';

/** The shelf of the kit, to be read and saved. */
export const kitShelf: ShelfAccess<KitInstrument> = {
  query: { queryKey: ['instruments'], queryFn: () => ask('GET', '/instruments'), staleTime: Infinity },
  save: (document, revision) => ask('PUT', `/instruments/${encodeURIComponent(document.id)}`, { document, revision }),
  draftPrefix: 'usual-drag-shelf-',
  nameOf: ({ id, name }) => name ?? id,
};

/** Everything on the shelf, the retired among it. */
export const shelfQuery = queryOptions(kitShelf.query);

/** What the shelf offers to a job: leads counted in, the retired left out. */
export const kitQuery = queryOptions({ ...shelfQuery, select: forJobs });

function forJobs(shelf: readonly ShelvedInstrument[]): Instrument[] {
  return shelf.filter(({ document }) => !document.retired).map(({ document }) => instrumentForJob(document));
}

export const importKit = (kit: Kit) => ask<ShelvedInstrument[]>('POST', '/instruments/import', kit);
