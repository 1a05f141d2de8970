import open from 'open';

/** Opens an address in the browser of this computer; does nothing on a computer without one. */
export async function openBrowser(address: string): Promise<void> {
  try {
    const browser = await open(address);
    browser.on('error', () => undefined);
  } catch {
    // The address has been printed.
  }
}

/** Returns whether Usual Drag answers at an address already. */
export async function answersAt(address: string): Promise<boolean> {
  try {
    const answer = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(1000) });
    return ((await answer.json()) as { status?: unknown }).status === 'ready';
  } catch {
    return false;
  }
}
