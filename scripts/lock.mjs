// npm run lock: after a change of dependencies, makes package-lock.json one that `npm ci` takes anywhere.
//
// Packages with a part for each platform list them all; a registry that serves one platform lacks the others, npm leaves them
// out of the lock file, and `npm ci` then refuses it. They are written in with the platform that their name tells, so that
// they are skipped where they do not fit. No registry's address is kept.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './steps.mjs';

const systems = [
  'darwin',
  'linux',
  'win32',
  'freebsd',
  'android',
  'netbsd',
  'openbsd',
  'sunos',
  'aix',
  'openharmony',
  'wasi',
  'wasm32',
];
const processors = ['arm64', 'x64', 'ia32', 'arm', 'ppc64', 's390x', 'riscv64', 'loong64', 'mips64el', 'wasm32'];

const file = join(root, 'package-lock.json');
const lock = JSON.parse(readFileSync(file, 'utf8'));
for (const [path, entry] of Object.entries(lock.packages)) {
  if (typeof entry.resolved === 'string' && entry.resolved.startsWith('http')) delete entry.resolved;
  for (const [name, range] of Object.entries(entry.optionalDependencies ?? {})) {
    if (found(path, name)) continue;
    lock.packages[`node_modules/${name}`] = {
      version: range.replace(/^[\^~]/, ''),
      ...platformOf(name),
      optional: true,
    };
  }
}
const sorted = Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1));
writeFileSync(file, `${JSON.stringify({ ...lock, packages: Object.fromEntries(sorted) }, null, 2)}\n`);

/** Whether a dependency of the package at `path` is in the lock file, beside it or further out. */
function found(path, name) {
  for (let at = path; ; at = at.slice(0, Math.max(0, at.lastIndexOf('node_modules/') - 1))) {
    if (lock.packages[`${at ? `${at}/` : ''}node_modules/${name}`]) return true;
    if (at === '') return false;
  }
}

function platformOf(name) {
  const words = name.split(/[/-]/).map((word) => word.replace(/^gnueabihf$|^eabi$/, ''));
  const os = systems.filter((system) => words.includes(system)).map((system) => (system === 'wasi' ? 'none' : system));
  const cpu = processors.filter((processor) => words.includes(processor));
  return { ...(cpu.length > 0 && { cpu }), ...(os.length > 0 && { os }) };
}
