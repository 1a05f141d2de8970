// Packages that lie beside the built server, because they have native parts or files that are read as they are.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../steps.mjs';

const { packages: locked } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));

/** Packages that the server's build leaves out. */
const outside = ['@libsql/client', 'swagger-ui-dist'];

/** Types, and a package that would report installations. */
const isNotCode = (name) => name.startsWith('@types/') || name === '@scarf/scarf';

/** Folders of these packages and of all that they require; what is for one platform alone is not among them. */
export function packagesBeside() {
  const found = new Set();
  const add = (name, from) => {
    const path = placeOf(name, from);
    if (found.has(path)) return;
    found.add(path);
    for (const other of Object.keys(locked[path].dependencies ?? {})) if (!isNotCode(other)) add(other, path);
  };
  for (const name of outside) add(name, '');
  return [...found];
}

/** Packages with the database of each platform: name, version and checksum. */
export const nativePackages = () =>
  Object.keys(locked['node_modules/libsql'].optionalDependencies)
    // Computers with 32 bits are too small for Node as it is now.
    .filter((name) => !/linux-arm-/.test(name))
    .map((name) => {
      const { version, integrity } = locked[`node_modules/${name}`];
      return { name, version, integrity };
    });

/** Where a package finds another that it requires: beside itself, or further out. */
function placeOf(name, from) {
  for (let at = from; ; at = at.slice(0, Math.max(0, at.lastIndexOf('node_modules/') - 1))) {
    const path = `${at ? `${at}/` : ''}node_modules/${name}`;
    if (locked[path]) return path;
    if (at === '') throw new Error(`${name}, which ${from} requires, is not in the lock file.`);
  }
}
