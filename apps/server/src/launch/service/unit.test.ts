import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unitText, type ServiceOf } from './unit.ts';

const ofSystem: ServiceOf = {
  node: process.execPath,
  program: '/opt/usual drag/usual-drag.mjs',
  values: {
    port: '8470',
    host: '0.0.0.0',
    'passphrase-file': '/etc/usual-drag/passphrase',
    'tls-cert': '/etc/ssl/bench 100%.pem',
    'tls-key': '/etc/ssl/private/bench.key',
    copies: '/mnt/second disk',
  },
  data: null,
};
const ofUser: ServiceOf = { ...ofSystem, values: { port: '8470', demo: true }, data: '/home/j/Prüf 100%/$data' };

test('words with spaces, percent signs and dollars are passed to the program unchanged', () => {
  const [start] = /^ExecStart=.*$/m.exec(unitText(ofUser))!;
  expect(start).toContain('"/opt/usual drag/usual-drag.mjs" "start" "--no-browser" "--demo"');
  expect(start).toContain('"--data" "/home/j/Prüf 100%%/$$data" "--port" "8470"');
  expect(unitText(ofUser)).toContain('ReadWritePaths="-/home/j/Prüf 100%%/$$data"\n');
});

test('the service of the computer has its own user and folder, and files that root alone can read as credentials', () => {
  const text = unitText(ofSystem);
  expect(text).toContain('DynamicUser=yes\n');
  expect(text).toContain('StateDirectory=usual-drag\n');
  expect(text).toContain('"--data" "%S/usual-drag/bench"');
  for (const [name, file] of [
    ['passphrase-file', '/etc/usual-drag/passphrase'],
    ['tls-cert', '/etc/ssl/bench 100%%.pem'],
    ['tls-key', '/etc/ssl/private/bench.key'],
  ]) {
    expect(text).toContain(`LoadCredential=${name}:${file}\n`);
    expect(text).toContain(`"--${name}" "%d/${name}"`);
  }
  expect(text).toContain('"--copies" "/mnt/second disk"');
  expect(text).toContain('ReadWritePaths="-/mnt/second disk"\n');
  expect(text).toContain('WantedBy=multi-user.target\n');
  expect(unitText(ofUser)).toContain('WantedBy=default.target\n');
  expect(unitText(ofUser)).not.toContain('DynamicUser');
});

const analyze = (...args: string[]) => spawnSync('systemd-analyze', args, { encoding: 'utf8' });
const withSystemd = analyze('--version').status === 0 ? test : test.skip;

withSystemd('systemd accepts the unit and rates its exposure at most 3.0', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'usual-drag-unit-')), 'usual-drag.service');
  writeFileSync(file, unitText(ofSystem));
  const verified = analyze('verify', '--man=no', file);
  expect([verified.status, verified.stderr]).toEqual([0, '']);
  // The threshold is in tenths.
  const { status, stdout } = analyze('security', '--offline=true', '--threshold=30', '--no-pager', file);
  expect(stdout).toMatch(/Overall exposure level for usual-drag\.service: [0-3]\.\d/);
  expect(status).toBe(0);
});
