import type { Job } from '@usual-drag/core';

/** An edit that the server has not confirmed yet. */
export interface Draft {
  readonly revision: number;
  readonly document: Job;
}

const key = (jobId: string): string => `usual-drag-draft-${jobId}`;

/** Keeps an unsaved edit in this browser, so that closing the window or losing the server loses nothing. */
export function keepDraft(jobId: string, draft: Draft): void {
  try {
    localStorage.setItem(key(jobId), JSON.stringify(draft));
  } catch {
    // A full or forbidden store: the edit is still in the window and goes to the server when it answers.
  }
}

export const dropDraft = (jobId: string): void => localStorage.removeItem(key(jobId));

export function findDraft(jobId: string): Draft | null {
  const text = localStorage.getItem(key(jobId));
  if (text === null) return null;
  try {
    return JSON.parse(text) as Draft;
  } catch {
    return null;
  }
}
