// Plugins for the builds that list the folders of the bundled packages, for their licences.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import type { Plugin } from 'vite';

const root = join(import.meta.dirname, '../..');

interface Plugins {
  /** Collects the packages of a build of workers. */
  readonly collect: Plugin;
  /** Collects the packages of the main build and writes the list at its end. */
  readonly write: Plugin;
}

/**
 * Returns the plugins for one build.
 *
 * @param folder  output folder; `packages.json` is written into it
 * @param others  packages that the build contains but does not bundle as modules: styles, fonts, the service worker
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
