// npm run instrument: a simulated multimeter on a socket of this computer, with faults on request.
import { spawn } from 'node:child_process';
import { join, resolve } from 'node:path';
import { build, install, root } from './steps.mjs';

install('run');
build();
// A file is named from where the command was typed.
const args = process.argv.slice(2);
const at = args.indexOf('--job');
if (at >= 0 && args[at + 1]) args[at + 1] = resolve(process.env.INIT_CWD ?? root, args[at + 1]);
const child = spawn(process.execPath, [join(root, 'apps/server/dist/instrument.js'), ...args], { stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
child.on('exit', (code) => process.exit(code ?? 0));
