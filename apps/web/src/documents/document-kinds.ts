import type { DocumentKind, DocumentOfKind } from '@usual-drag/contract';
import { copyInstrument, type KitInstrument } from '@usual-drag/core/instrument';
import { createJob } from '../api/jobs.ts';
import { saveDocument } from '../api/documents.ts';
import { listQuery } from '../api/lists.ts';
import { queries } from '../api/queries.ts';

interface Kind<T> {
  /** Returns the name of a document for a person. */
  readonly nameOf: (document: T) => string;
  /** Adds a version as a document of its own, and returns its id. */
  readonly addCopy: (document: T) => Promise<string>;
}

const fromThisWindow = (title: string | undefined): string =>
  `${(title ?? 'Untitled').slice(0, 180)} (from this window)`;

/** An id that no other window gives: meter projects may be begun in several at once. */
export const newProjectId = (): string =>
  `project-${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 8)}`;

/** Differences between the kinds of documents, as far as saving is concerned. */
export const kindOf: { readonly [K in DocumentKind]: Kind<DocumentOfKind[K]> } = {
  jobs: {
    nameOf: ({ title }) => title ?? 'Untitled',
    addCopy: async (mine) => (await createJob({ ...mine, title: fromThisWindow(mine.title) })).id,
  },
  instruments: {
    nameOf: ({ id, name }) => name ?? id,
    addCopy: async (mine) => {
      const list = await queries.fetchQuery(listQuery('instruments'));
      const copy: KitInstrument = copyInstrument(
        mine,
        list.map(({ id }) => id),
      );
      await saveDocument('instruments', copy.id, copy, null);
      return copy.id;
    },
  },
  'meter-projects': {
    nameOf: ({ title }) => title ?? 'Untitled',
    addCopy: async (mine) => {
      const copy = { ...mine, id: newProjectId(), title: fromThisWindow(mine.title) };
      await saveDocument('meter-projects', copy.id, copy, null);
      return copy.id;
    },
  },
};
