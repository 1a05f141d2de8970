// Packages of a lock file, and how they find each other.

/**
 * Returns the path in a lock file of a package that the one at `from` requires: beside it, or further out; undefined if it is not
 * there.
 *
 * @param packages  of the lock file, by path
 */
export function placeOf(packages, name, from) {
  for (let at = from; ; at = at.slice(0, Math.max(0, at.lastIndexOf('node_modules/') - 1))) {
    const path = `${at ? `${at}/` : ''}node_modules/${name}`;
    if (packages[path]) return path;
    if (at === '') return undefined;
  }
}
