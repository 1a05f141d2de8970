import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';
import { newFolder } from '../test/running-server.ts';
import { environmentOf, userDataFolder } from './start-options.ts';

/** Runs the built program as it is run from a release archive. */
const program = (...args: string[]) =>
  spawnSync(process.execPath, [resolve('apps/server/dist/launch.js'), ...args], {
    encoding: 'utf8',
    env: { ...process.env, USUAL_DRAG_PROGRAM: 'node usual-drag.mjs' },
  });

test('an option takes precedence over its variable, and the data have a folder of the user', () => {
  const env = environmentOf({ port: '9000' }, { PORT: '8000', HOST: 'bench' });
  expect(env).toMatchObject({ PORT: '9000', HOST: 'bench', USUAL_DRAG_DATA: userDataFolder(false) });
  expect(userDataFolder(false).startsWith(homedir())).toBe(true);
  expect(environmentOf({ demo: true }, {})).toMatchObject({
    USUAL_DRAG_DEMO: '1',
    USUAL_DRAG_DATA: userDataFolder(true),
  });
  expect(environmentOf({ data: 'here' }, {}).USUAL_DRAG_DATA).toBe(resolve('here'));
});

test('help lists every command as it is typed', () => {
  const { status, stdout } = program('help');
  expect(status).toBe(0);
  for (const command of [
    'start',
    'backup FILE',
    'restore FILE',
    'move --from FOLDER|URL --to FOLDER|URL',
    'service install|status|remove',
    'version',
  ])
    expect(stdout).toContain(`  node usual-drag.mjs ${command}`);
  expect(program('start', '--help').stdout).toBe(stdout);
});

test.each([
  [['frob'], 'Unknown command “frob”.'],
  [['--prot', '9'], "Unknown option '--prot'"],
  [['start', 'now'], "Unexpected argument 'now'"],
  [['backup'], 'Give the name of the file.'],
  [['backup', 'a', 'b'], 'Unexpected argument “b”.'],
  [['move', '--from', 'a'], 'Name both places: --from and --to.'],
  [['service', 'frob'], 'Unknown service command “frob”.'],
  [['service', 'install', '--system', '--data', 'x'], 'Omit --data.'],
])('%j is refused with a sentence and the usage', (args, sentence) => {
  const { status, stderr } = program(...args);
  expect(status).toBe(1);
  expect(stderr).toContain(sentence);
  expect(stderr).toContain('node usual-drag.mjs ');
  expect(stderr).not.toMatch(/\n\s+at /);
});

test('it starts with its options, and a second start finds it running', async () => {
  const folder = newFolder();
  const secret = join(folder, 'passphrase');
  writeFileSync(secret, 'brass lamp, wet rope\n');
  const refused = program('start', '--no-browser', '--data', folder, '--port', '0', '--host', '0.0.0.0');
  expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('needs a passphrase')]);
  const child = spawn(
    process.execPath,
    [
      resolve('apps/server/dist/launch.js'),
      ...['start', '--no-browser', '--data', join(folder, 'data'), '--port', '0'],
      ...['--host', '0.0.0.0', '--passphrase-file', secret, '--names', 'bench.example:9443'],
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  let output = '';
  await new Promise<void>((ready) => {
    child.stdout.on('data', (chunk: Buffer) => {
      output += chunk.toString();
      if (output.includes('not encrypted')) ready();
    });
  });
  const [, address] = /answers at (\S+)/.exec(output)!;
  // A name that was given is answered to, and is the first address for other devices.
  expect(output).toContain('http://bench.example:9443');
  expect((await fetch(`${address}/api/health`)).status).toBe(200);
  expect((await fetch(`${address}/api/jobs`)).status).toBe(401);
  child.kill('SIGTERM');
  await once(child, 'exit');
  expect(existsSync(join(folder, 'data/usual-drag.sqlite'))).toBe(true);
});

test('the service of a user is written, its data kept when it is removed', () => {
  const home = newFolder();
  const service = (does: string) =>
    spawnSync(process.execPath, [resolve('apps/server/dist/launch.js'), 'service', does, '--port', '8471'], {
      encoding: 'utf8',
      // No manager of services is reached: the unit is written, and the way to start it is reported.
      env: { PATH: process.env.PATH, HOME: home, XDG_CONFIG_HOME: join(home, 'config'), XDG_RUNTIME_DIR: home },
    });
  const unit = join(home, 'config/systemd/user/usual-drag.service');
  expect(service('status').stdout).toContain('No service is installed');
  const { status, stderr } = service('install');
  expect(status).toBe(1);
  expect(stderr).toContain(`The unit ${unit} was written.`);
  expect(stderr).toContain('Start it with: systemctl --user enable --now usual-drag.service');
  const data = join(home, '.local/share/usual-drag/bench');
  expect(readFileSync(unit, 'utf8')).toContain(`"--data" "${data}" "--port" "8471"`);
  expect(existsSync(data)).toBe(true);
  expect(service('remove').stdout).toContain('The data are kept.');
  expect([existsSync(unit), existsSync(data)]).toEqual([false, true]);
});
