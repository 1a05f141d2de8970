// Where the interface tests find their browser. Only Node's own modules: it is asked before anything is installed.
import { existsSync } from 'node:fs';

/** The path of a Chromium: the one that CHROMIUM names, else Debian's; undefined leaves it to Playwright's own. */
export function chromiumPath() {
  const named = process.env.CHROMIUM;
  if (named) return named;
  return ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path));
}
