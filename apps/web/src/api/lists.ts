import type { DocumentOfKind, StoredDocument } from '@usual-drag/contract';
import { instrumentForJob, type Instrument, type KitInstrument } from '@usual-drag/core/instrument';
import type { Kit } from '@usual-drag/core/job';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';

/** The kinds of documents that are read as a whole list. */
export type ListedKind = 'instruments' | 'meter-projects';

/** Every document of a kind, the archived among them. */
export const listQuery = <K extends ListedKind>(kind: K) =>
  queryOptions({
    queryKey: [kind],
    queryFn: () => ask<StoredDocument<DocumentOfKind[K]>[]>('GET', `/${kind}`),
    staleTime: Infinity,
    meta: { follows: kind },
  });

/** Instruments that the kit offers to a job: with their leads, without the archived ones. */
export const kitQuery = queryOptions({ ...listQuery('instruments'), select: forJobs });

function forJobs(kit: readonly StoredDocument<KitInstrument>[]): Instrument[] {
  return kit.filter(({ document }) => !document.retired).map(({ document }) => instrumentForJob(document));
}

/** Choice for instruments that differ between the kit and a file. */
export type ImportChoice = 'keep' | 'replace' | 'copy';

export const importKit = (kit: Kit, existing?: ImportChoice) =>
  ask<StoredDocument<KitInstrument>[]>('POST', `/instruments/import${existing ? `?existing=${existing}` : ''}`, kit);
