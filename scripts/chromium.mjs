// Where the interface tests find their browser. Only Node's own modules: it is loaded before anything is installed.
import { existsSync } from 'node:fs';

/** Debian's browser without a window takes half the time of the full one. */
const headlessShell = '/usr/bin/chromium-headless-shell';

/** Returns whether Debian's headless browser is installed, or another browser is named. */
export const hasHeadlessShell = () => process.env.CHROMIUM !== undefined || existsSync(headlessShell);

/** Returns the path of a Chromium: the one that CHROMIUM names, else Debian's; undefined leaves it to Playwright's own. */
export function chromiumPath() {
  const named = process.env.CHROMIUM;
  if (named) return named;
  return [headlessShell, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path));
}
