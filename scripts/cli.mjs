// npm run cli: runs a command from its build, which is made again if a source is newer.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { newest, root } from './steps.mjs';

const built = join(root, 'apps/cli/dist/main.js');
const sources = ['packages', 'apps/cli', 'docs/schema', 'package-lock.json'].map((path) => newest(join(root, path)));

if (!existsSync(built) || newest(built) < Math.max(...sources)) buildCli();
await import(pathToFileURL(built).href);

/** Builds into a folder of its own, then moves the file into place: commands that run at the same time find a whole one. */
function buildCli() {
  const folder = join(root, 'apps/cli', `.build-${process.pid}`);
  const { status, stdout, stderr } = spawnSync(
    'npm',
    ['run', '-s', 'build', '-w', '@usual-drag/cli', '--', '--outDir', folder],
    {
      cwd: root,
      encoding: 'utf8',
    },
  );
  if (status !== 0) {
    process.stderr.write(`${stdout}${stderr}The command line cannot be built. Run npm ci, then try again.\n`);
    process.exit(1);
  }
  mkdirSync(join(root, 'apps/cli/dist'), { recursive: true });
  renameSync(join(folder, 'main.js'), built);
  rmSync(folder, { recursive: true });
}
