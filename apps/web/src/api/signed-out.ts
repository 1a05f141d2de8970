import { create } from 'zustand';

/** Whether the server has asked for the passphrase instead of answering. */
export const useSignedOut = create<{ readonly isSignedOut: boolean }>()(() => ({ isSignedOut: false }));

/** Where the passphrase is said; afterwards one is back on the page that is open. */
export const signInAddress = (): string => `/sign-in?next=${encodeURIComponent(location.pathname + location.search)}`;
