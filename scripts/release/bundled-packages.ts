// A plugin for the builds: writes the folders of the packages whose code is in what is built, for the licences.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import type { Plugin } from 'vite';

const root = join(import.meta.dirname, '../..');

interface Plugins {
  /** For workers, which are built on their own. */
  readonly collect: Plugin;
  /** Also writes the list, once all is built. */
  readonly write: Plugin;
}

/**
 * @param folder  of the build; `packages.json` is written into it
 * @param others  packages that are in it and not bundled as modules: styles, fonts, the service worker
 */
export function bundledPackages(folder: string, others: readonly string[] = []): Plugins {
  const found = new Set(others.map((name) => `node_modules/${name}`));
  const collect: Plugin = {
    name: 'bundled-packages',
    generateBundle(_options, bundle) {
      for (const chunk of Object.values(bundle))
        for (const id of chunk.type === 'chunk' ? chunk.moduleIds : []) {
          const path = /[^\0]*node_modules\/(?:@[^/]+\/)?[^/?]+(?=\/)/.exec(id.replaceAll('\\', '/'))?.[0];
          if (path) found.add(relative(root, path));
        }
    },
  };
  return {
    collect,
    write: {
      ...collect,
      closeBundle() {
        mkdirSync(folder, { recursive: true });
        writeFileSync(join(folder, 'packages.json'), `${JSON.stringify([...found].sort(), null, 2)}\n`);
      },
    },
  };
}
