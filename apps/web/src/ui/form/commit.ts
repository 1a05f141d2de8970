import { createContext, use } from 'react';

/** Checks the form and hands in what changed. */
export const CommitContext = createContext<() => void>(() => undefined);

export const useCommit = (): (() => void) => use(CommitContext);
