// npm run release: builds the archive that runs on a computer with Node alone. `-- --here` packs the database of this platform only,
// without asking the registry for those of the others.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { zipSync } from 'fflate';
import { build, install, root, run } from '../steps.mjs';
import { nativePackages, packagesBeside } from './packages.mjs';

install('run');
build();
const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
const name = `usual-drag-${version}`;
const folder = join(root, 'dist', name);
const archive = `${folder}.zip`;
rmSync(folder, { recursive: true, force: true });

copyProgram();
copyPackages();
copyNatives(process.argv.includes('--here'));
writeFileSync(join(folder, 'SHA256SUMS'), filesIn(folder).map(checksumLine).join(''));
writeFileSync(archive, zipSync(entries(), { level: 9 }));
process.stdout.write(`${relative(root, archive)}: ${(statSync(archive).size / 1e6).toFixed(1)} MB\n`);

/** Copies the server, the page and the launchers. */
function copyProgram() {
  const files = join(root, 'scripts/release/files');
  for (const file of readdirSync(files)) cpSync(join(files, file), join(folder, file), { recursive: true });
  const readMe = join(folder, 'README.txt');
  writeFileSync(readMe, readFileSync(readMe, 'utf8').replace('VERSION', version));
  for (const [from, to] of [
    ['apps/server/dist', 'app/server/dist'],
    ...['sqlite', 'postgresql'].map((dialect) => {
      const migrations = `server/src/database/dialects/${dialect}/migrations`;
      return [`apps/${migrations}`, `app/${migrations}`];
    }),
    ['apps/web/dist', 'app/web/dist'],
    ['apps/web/dist/licences.txt', 'licences.txt'],
    ['docs/examples/nginx.conf', 'nginx.conf'],
  ])
    cpSync(join(root, from), join(folder, to), { recursive: true });
  writeFileSync(join(folder, 'app/package.json'), '{ "type": "module" }\n');
}

/** Copies the packages beside the server, without source maps and types. */
function copyPackages() {
  for (const path of packagesBeside())
    cpSync(join(root, path), join(folder, 'app', path), {
      recursive: true,
      filter: (file) => !/\.(map|d\.[cm]?ts|md)$|swagger-ui-es-|\.bundle-sizes\.|log\.es-/.test(file),
    });
}

/** Copies the database for each platform; those that are not installed here come from the registry. */
function copyNatives(onlyHere) {
  for (const { name: native, version: wanted, integrity } of nativePackages()) {
    const to = join(folder, 'app/node_modules', native);
    const installed = join(root, 'node_modules', native);
    if (statSync(installed, { throwIfNoEntry: false })) cpSync(installed, to, { recursive: true });
    else if (!onlyHere) unpack(packed(native, wanted, integrity), to);
  }
}

/** Returns the path of a package's archive, which is fetched once and compared with the checksum of the lock file. */
function packed(native, wanted, integrity) {
  const cache = join(root, 'node_modules/.cache/usual-drag-release');
  const file = join(cache, `${native.replace('@', '').replace('/', '-')}-${wanted}.tgz`);
  mkdirSync(cache, { recursive: true });
  if (!statSync(file, { throwIfNoEntry: false }))
    run(`Fetching ${native}`, 'npm', ['pack', `${native}@${wanted}`, '--pack-destination', cache]);
  const [algorithm, expected] = integrity.split(/-(.*)/s);
  if (createHash(algorithm).update(readFileSync(file)).digest('base64') !== expected) {
    rmSync(file);
    throw new Error(`${native} ${wanted} from the registry does not have the checksum of package-lock.json.`);
  }
  return file;
}

function unpack(file, to) {
  mkdirSync(to, { recursive: true });
  const { status, stderr } = spawnSync('tar', ['-xzf', file, '-C', to, '--strip-components=1'], { encoding: 'utf8' });
  if (status !== 0) throw new Error(`${file} cannot be unpacked: ${stderr}`);
}

/** Returns the paths of all files below a folder, relative to it. */
function filesIn(parent) {
  return readdirSync(parent, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => relative(parent, join(entry.parentPath, entry.name)).replaceAll('\\', '/'))
    .sort();
}

function checksumLine(path) {
  return `${createHash('sha256')
    .update(readFileSync(join(folder, path)))
    .digest('hex')}  ${path}\n`;
}

/** Returns the entries of the archive; scripts are executable. */
function entries() {
  return Object.fromEntries(
    filesIn(folder).map((path) => {
      const mode = path.endsWith('.sh') ? 0o100755 : 0o100644;
      return [`${name}/${path}`, [readFileSync(join(folder, path)), { os: 3, attrs: mode * 0x10000 }]];
    }),
  );
}
