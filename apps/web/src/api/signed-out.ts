import { create } from 'zustand';

/** Whether the server has asked for the passphrase instead of answering. */
export const useSignedOut = create<{ readonly isSignedOut: boolean }>()(() => ({ isSignedOut: false }));

/** Where the passphrase is said; afterwards one is back on the page that is open. */
export const signInAddress = (): string => `/sign-in?next=${encodeURIComponent(location.pathname + location.search)}`;

/** The server has asked for the passphrase. */
export function nowSignedOut(): void {
  if (useSignedOut.getState().isSignedOut) return;
  useSignedOut.setState({ isSignedOut: true });
  void forgetAnswers();
}

/** What the server had answered is not left on a device that is signed out; what was entered on it is. */
export async function forgetAnswers(): Promise<void> {
  if ('caches' in globalThis) await caches.delete('answers');
}
