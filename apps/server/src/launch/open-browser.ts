import open from 'open';

/** Opens an address in the browser of this computer; without one, the address that was printed has to do. */
export async function openBrowser(address: string): Promise<void> {
  try {
    const browser = await open(address);
    browser.on('error', () => undefined);
  } catch {
    // A server without a screen.
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
