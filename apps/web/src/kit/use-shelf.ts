import type { ShelvedInstrument } from '@usual-drag/contract';
import type { KitInstrument } from '@usual-drag/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { Refused, Unreachable } from '../api/http.ts';
import { saveInstrument, shelfQuery } from '../api/kit.ts';
import { dropShelfDraft, keepShelfDraft } from './shelf-drafts.ts';

/** The shelf, and edits to it: seen at once, saved one after the other, tried again while the server does not answer. */
export function useShelf() {
  const queries = useQueryClient();
  const { data: shelf, error } = useQuery(shelfQuery);
  const put = (document: KitInstrument, revision?: number): void =>
    void queries.setQueryData(shelfQuery.queryKey, (now) => {
      if (!now) return now;
      const there = now.find(({ id }) => id === document.id);
      const next = { id: document.id, revision: revision ?? there?.revision ?? 0, document };
      return there ? now.map((other) => (other === there ? next : other)) : [...now, next];
    });
  const saving = useMutation({
    mutationFn: ({ document, isNew }: { readonly document: KitInstrument; readonly isNew: boolean }) => {
      const there = queries.getQueryData(shelfQuery.queryKey)?.find(({ id }) => id === document.id);
      return saveInstrument(document, isNew ? undefined : there?.revision);
    },
    scope: { id: 'shelf' },
    networkMode: 'always',
    retry: (_count, fault) => fault instanceof Unreachable,
    retryDelay: 2000,
    onMutate: ({ document }) => {
      keepShelfDraft(document);
      put(document);
    },
    onSuccess: (saved, { document }) => {
      dropShelfDraft(document);
      // A later edit may be on the screen already: only the revision is news.
      const now = queries.getQueryData(shelfQuery.queryKey)?.find(({ id }) => id === saved.id);
      put(now?.document ?? saved.document, saved.revision);
    },
    onError: (fault, { document }) => {
      // It is on the screen with its reason; it would be refused again.
      dropShelfDraft(document);
      const current = fault instanceof Refused ? (fault.details.current as ShelvedInstrument | undefined) : undefined;
      if (!current) return void toast.error(fault.message, { duration: 15_000 });
      put(document, current.revision);
      toast.error(fault.message, {
        duration: Infinity,
        action: { label: 'Keep mine', onClick: () => saving.mutate({ document, isNew: false }) },
        cancel: { label: 'Take theirs', onClick: () => put(current.document, current.revision) },
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
    shelf,
    error,
    words,
    save: (document: KitInstrument) => saving.mutate({ document, isNew: false }),
    add: (document: KitInstrument) => saving.mutate({ document, isNew: true }),
  };
}
