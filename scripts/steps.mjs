// Steps that demo, start and test share. Only Node's own modules: they run before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** Runs a command quietly; prints its output and ends the script if it fails. */
export function run(what, command, args, options = {}) {
  process.stdout.write(`${what} …\n`);
  const { status, stdout, stderr, error } = spawnSync(command, args, {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    ...options,
  });
  if (status === 0) return;
  process.stderr.write(`${stdout ?? ''}${stderr ?? ''}${error ? `${error.message}\n` : ''}${what}: failed.\n`);
  process.exit(1);
}

/**
 * Installs the packages if they differ from the lock file. Installed development packages remain.
 *
 * @param what  `run` for the packages that building and running require, `all` for those of testing too
 */
export function install(what = 'all') {
  if (hasPackages(what)) return;
  const leavesOutDevelopment = what === 'run' && !existsSync(installedLock);
  run('Installing the packages (about a minute the first time)', 'npm', [
    'ci',
    ...(leavesOutDevelopment ? ['--omit=dev'] : []),
  ]);
}

/** List of the installed packages, which npm writes at the end of an installation. */
const installedLock = join(root, 'node_modules', '.package-lock.json');

/** Returns whether every required package is installed in the version of the lock file; optional ones are for some platforms. */
function hasPackages(what) {
  if (!existsSync(installedLock)) return false;
  const { packages: installed } = JSON.parse(readFileSync(installedLock, 'utf8'));
  const { packages: wanted } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  return Object.entries(wanted).every(([path, { version, dev, optional, devOptional }]) => {
    if (!path.includes('node_modules/') || optional || devOptional || (dev && what === 'run')) return true;
    return installed[path] !== undefined && installed[path].version === version && existsSync(join(root, path));
  });
}

/** Builds the web application and the server where a source is newer than what was built. */
export function build() {
  const sources = ['packages', 'apps', 'docs', 'scripts/release', 'package-lock.json'].map((path) =>
    newest(join(root, path)),
  );
  const built = ['apps/web/dist/licences.txt', 'apps/server/dist/main.js', 'apps/cli/dist/main.js'].map((path) =>
    newest(join(root, path)),
  );
  if (Math.min(...built) > Math.max(...sources)) return;
  run('Building', 'npm', ['run', '-s', 'build']);
}

/** Time of the last change below a path, 0 if there is nothing. */
export function newest(path) {
  if (!existsSync(path)) return 0;
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  const inside = readdirSync(path).filter((name) => name !== 'node_modules' && name !== 'dist');
  return Math.max(0, ...inside.map((name) => newest(join(path, name))));
}

/** The shell that npm starts does not hand a signal to npm on: its end is noticed by the parent being another one. */
function endWithNpm(end) {
  const parent = process.ppid;
  if (!process.env.npm_lifecycle_event) return;
  setInterval(() => process.ppid === parent || end(), 500).unref();
}

/** Starts the built server and hands signals on to it; this process ends when it does. */
export function serve(env) {
  mkdirSync(join(root, 'data'), { recursive: true });
  const server = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  endWithNpm(() => server.kill());
  server.on('exit', (code, signal) => process.exit(code ?? (signal === 'SIGINT' || signal === 'SIGTERM' ? 0 : 1)));
}
