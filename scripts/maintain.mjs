// npm run backup -- FILE, npm run restore -- FILE: everything of the folder that USUAL_DRAG_DATA names, out and back.
// npm run move -- --from FOLDER --to URL: everything to another place.
import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { build, install, root } from './steps.mjs';

const [command, ...args] = process.argv.slice(2);
/** An argument that is no option and no address is a path from where the command was typed. */
const resolved = (arg) => (/^-|^[a-z]+:\/\//.test(arg) ? arg : resolve(process.env.INIT_CWD ?? root, arg));
install('run');
build();
const { status } = spawnSync(
  process.execPath,
  [join(root, 'apps/server/dist/launch.js'), command, ...args.map(resolved)],
  {
    stdio: 'inherit',
    env: { ...process.env, USUAL_DRAG_DATA: resolve(root, process.env.USUAL_DRAG_DATA || 'data/bench') },
  },
);
process.exit(status ?? 1);
