// npm run backup -- FILE, npm run restore -- FILE: everything of the folder that USUAL_DRAG_DATA names, out and back.
import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { build, install, root } from './steps.mjs';

const [command, file] = process.argv.slice(2);
install('run');
build();
const { status } = spawnSync(
  process.execPath,
  [join(root, 'apps/server/dist/launch.js'), command, ...(file ? [resolve(process.env.INIT_CWD ?? root, file)] : [])],
  {
    stdio: 'inherit',
    env: { ...process.env, USUAL_DRAG_DATA: resolve(root, process.env.USUAL_DRAG_DATA || 'data/bench') },
  },
);
process.exit(status ?? 1);
