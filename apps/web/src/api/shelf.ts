import type { Shelved } from '@usual-drag/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { ask } from '../ui/questions.ts';
import { newestOf, sameDocument } from './conflict.ts';
import { dropDraft, keepDraft, settleDraft } from './drafts.ts';
import { Unreachable } from './http.ts';

/** Where the documents of one shelf are read and saved. */
export interface ShelfAccess<T extends { readonly id: string }> {
  readonly query: {
    readonly queryKey: readonly string[];
    readonly queryFn: () => Promise<Shelved<T>[]>;
    readonly staleTime: number;
  };
  /** @param revision  that the edit was based on; left out for a new document */
  readonly save: (document: T, revision?: number) => Promise<Shelved<T>>;
  readonly draftPrefix: string;
  /** What a person calls it. */
  readonly nameOf: (document: T) => string;
}

/** A shelf of the server, and edits to it: seen at once, saved one after the other, tried again while there is no answer. */
export function useShelfOf<T extends { readonly id: string }>({ query, save, draftPrefix, nameOf }: ShelfAccess<T>) {
  const queries = useQueryClient();
  const { data: list, error } = useQuery(query);
  const now = (): Shelved<T>[] | undefined => queries.getQueryData<Shelved<T>[]>(query.queryKey);
  const put = (document: T, revision?: number): void =>
    void queries.setQueryData<Shelved<T>[]>(query.queryKey, (before) => {
      if (!before) return before;
      const there = before.find(({ id }) => id === document.id);
      const next = { id: document.id, revision: revision ?? there?.revision ?? 0, document };
      return there ? before.map((other) => (other === there ? next : other)) : [...before, next];
    });
  const saving = useMutation({
    mutationFn: ({ document, isNew }: { readonly document: T; readonly isNew: boolean }) => {
      const there = now()?.find(({ id }) => id === document.id);
      return save(document, isNew ? undefined : there?.revision);
    },
    scope: { id: draftPrefix },
    networkMode: 'always',
    retry: (_count, fault) => fault instanceof Unreachable,
    retryDelay: 2000,
    onMutate: ({ document, isNew }) => {
      keepDraft(draftPrefix, document, isNew ? undefined : now()?.find(({ id }) => id === document.id)?.revision);
      put(document);
    },
    onSuccess: (saved, { document }) => {
      settleDraft(draftPrefix, document, saved.revision);
      // A later edit may be on the screen already: only the revision is news.
      const there = now()?.find(({ id }) => id === saved.id);
      put(there?.document ?? saved.document, saved.revision);
    },
    onError: (fault, { document }) => {
      const newest = newestOf<T>(fault);
      if (!newest || sameDocument(newest.document, document)) {
        // It is on the screen, where it was refused with the reason; it would be refused again.
        dropDraft(draftPrefix, document);
        if (newest) put(document, newest.revision);
        else toast.error(fault.message, { duration: 15_000 });
        return;
      }
      // Until it is answered a later edit is one of the old revision too, and asks again.
      ask({
        about: draftPrefix + document.id,
        text: `${nameOf(document)}: ${fault.message}`,
        answers: [
          {
            label: 'Keep mine',
            act: () => {
              put(document, newest.revision);
              saving.mutate({ document, isNew: false });
            },
          },
          {
            label: 'Take theirs',
            act: () => {
              dropDraft(draftPrefix, document);
              put(newest.document, newest.revision);
            },
          },
        ],
      });
    },
  });
  const words = saving.isPending
    ? saving.failureCount > 0
      ? 'The server does not answer: kept in this window, trying again'
      : 'saving …'
    : saving.isSuccess
      ? 'saved'
      : '';
  return {
    list,
    error,
    words,
    save: (document: T) => saving.mutate({ document, isNew: false }),
    add: (document: T) => saving.mutate({ document, isNew: true }),
  };
}
