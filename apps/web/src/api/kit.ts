import type { ShelvedInstrument } from '@usual-drag/contract';
import { instrumentForJob, type Instrument, type Kit, type KitInstrument } from '@usual-drag/core';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';

/** Everything on the shelf, the retired among it. */
export const shelfQuery = queryOptions({
  queryKey: ['instruments'],
  queryFn: () => ask<ShelvedInstrument[]>('GET', '/instruments'),
  staleTime: Infinity,
});

/** What the shelf offers to a job: leads counted in, the retired left out. */
export const kitQuery = queryOptions({ ...shelfQuery, select: forJobs });

function forJobs(shelf: readonly ShelvedInstrument[]): Instrument[] {
  return shelf.filter(({ document }) => !document.retired).map(({ document }) => instrumentForJob(document));
}

/** @param revision  that the edit was based on; left out for a new instrument */
export const saveInstrument = (document: KitInstrument, revision?: number) =>
  ask<ShelvedInstrument>('PUT', `/instruments/${encodeURIComponent(document.id)}`, { document, revision });

export const importKit = (kit: Kit) => ask<ShelvedInstrument[]>('POST', '/instruments/import', kit);
