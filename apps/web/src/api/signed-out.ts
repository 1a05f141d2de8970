import { create } from 'zustand';
import { serverAddress } from './base-path.ts';

/** Whether the server has asked for the passphrase instead of answering. */
export const useSignedOut = create<{ readonly isSignedOut: boolean }>()(() => ({ isSignedOut: false }));

/** Address of the page that asks for the passphrase; afterwards the present page is opened again. */
export const signInAddress = (): string =>
  serverAddress(`sign-in?next=${encodeURIComponent(location.pathname + location.search)}`);

/** The server has asked for the passphrase. */
export function nowSignedOut(): void {
  if (useSignedOut.getState().isSignedOut) return;
  useSignedOut.setState({ isSignedOut: true });
  void forgetAnswers();
}

/** Removes the server's answers from a device that is signed out; entries made on it remain. */
export async function forgetAnswers(): Promise<void> {
  if ('caches' in globalThis) await caches.delete('answers');
}
