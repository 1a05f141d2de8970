// npm run lock: after a change of dependencies, makes package-lock.json from the package.json files alone.
//
// It works in an empty folder: beside installed packages npm leaves out what is not installed on this platform, and now and
// then a dependency of a nested package, and `npm ci` then builds an incomplete tree. No registry's address is kept.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { placeOf } from './locked-packages.mjs';
import { root, run } from './steps.mjs';

const folder = mkdtempSync(join(tmpdir(), 'usual-drag-lock-'));
for (const file of ['package.json', '.npmrc', ...workspaceFiles()]) cpSync(join(root, file), join(folder, file));
run('Resolving the packages', 'npm', ['install', '--package-lock-only'], { cwd: folder });
const lock = JSON.parse(readFileSync(join(folder, 'package-lock.json'), 'utf8'));
rmSync(folder, { recursive: true });

for (const [path, entry] of Object.entries(lock.packages)) {
  if (typeof entry.resolved === 'string' && entry.resolved.startsWith('http')) delete entry.resolved;
  for (const name of Object.keys({ ...entry.dependencies, ...entry.optionalDependencies }))
    if (!placeOf(lock.packages, name, path) && !(name in (entry.optionalDependencies ?? {}) && isUnknown(name)))
      throw new Error(`${path || 'the project'} needs ${name}, which is not in the lock file.`);
}
writeFileSync(join(root, 'package-lock.json'), `${JSON.stringify(lock, null, 2)}\n`);

/** Returns whether the registry does not offer a package: an optional one is left out then, on every platform. */
function isUnknown(name) {
  const { status, stdout } = spawnSync('npm', ['view', name, 'version', '--json'], { encoding: 'utf8' });
  return status !== 0 && JSON.parse(stdout).error?.code === 'E404';
}

/** The package.json of every workspace. */
function workspaceFiles() {
  return ['packages', 'apps'].flatMap((folder) =>
    readdirSync(join(root, folder)).map((name) => `${folder}/${name}/package.json`),
  );
}
