// npm run cli: runs a command from its build, which is made again if a source is newer.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { newest, root } from './steps.mjs';

const built = join(root, 'apps/cli/dist/main.js');
const sources = ['packages', 'apps/cli', 'docs/schema', 'package-lock.json'].map((path) => newest(join(root, path)));

if (!existsSync(built) || statSync(built).mtimeMs < Math.max(...sources)) buildCli();
await import(pathToFileURL(built).href);

/**
 * Builds into a folder of its own, then moves the files into place, the one that loads the others last: commands that run at the
 * same time find a whole one. Files of the build before stay for them until `npm run build`.
 */
function buildCli() {
  const folder = join(root, 'apps/cli', `.build-${process.pid}`);
  const { status, stdout, stderr } = spawnSync(
    'npm',
    ['run', '-s', 'build', '-w', '@usual-drag/cli', '--', '--outDir', folder],
    { cwd: root, encoding: 'utf8' },
  );
  if (status !== 0) {
    process.stderr.write(`${stdout}${stderr}The command line cannot be built. Run npm ci, then try again.\n`);
    process.exit(1);
  }
  const dist = join(root, 'apps/cli/dist');
  mkdirSync(dist, { recursive: true });
  const files = readdirSync(folder).filter((name) => name !== 'main.js');
  for (const name of [...files, 'main.js']) renameSync(join(folder, name), join(dist, name));
  rmSync(folder, { recursive: true });
}
