// Packages that are shipped beside the built server because they have native parts or files that are read at run time.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { placeOf } from '../locked-packages.mjs';
import { root } from '../steps.mjs';

const { packages: locked } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));

/** Packages that the server's build leaves out. */
const outside = ['@libsql/client', 'swagger-ui-dist'];

/** Whether a package is not required at run time: types, and one that reports installations. */
const isNotCode = (name) => name.startsWith('@types/') || name === '@scarf/scarf';

/** Returns the folders of these packages and of all that they require, without those for one platform. */
export function packagesBeside() {
  const found = new Set();
  const add = (name, from) => {
    const path = placeOf(locked, name, from);
    if (!path) throw new Error(`${name}, which ${from} requires, is not in the lock file.`);
    if (found.has(path)) return;
    found.add(path);
    for (const other of Object.keys(locked[path].dependencies ?? {})) if (!isNotCode(other)) add(other, path);
  };
  for (const name of outside) add(name, '');
  return [...found];
}

/** Returns the packages with the database for each platform: name, version and checksum. */
export const nativePackages = () =>
  Object.keys(locked['node_modules/libsql'].optionalDependencies)
    // 32-bit computers are not supported.
    .filter((name) => !/linux-arm-/.test(name))
    .map((name) => {
      const { version, integrity } = locked[`node_modules/${name}`];
      return { name, version, integrity };
    });
