import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unitText, type ServiceOf } from './unit.ts';

const ofSystem: ServiceOf = {
  node: process.execPath,
  program: '/opt/usual drag/usual-drag.mjs',
  options: ['--port', '8470', '--host', '0.0.0.0'],
  passphraseFile: '/etc/usual-drag/passphrase',
  data: null,
};
const ofUser: ServiceOf = { ...ofSystem, passphraseFile: null, data: '/home/j/Prüf 100%/$data' };

test('words with spaces, percent signs and dollars are passed to the program as they are', () => {
  const [start] = /^ExecStart=.*$/m.exec(unitText(ofUser))!;
  expect(start).toContain('"/opt/usual drag/usual-drag.mjs" "start" "--no-browser" "--port" "8470"');
  expect(start).toContain('"--data" "/home/j/Prüf 100%%/$$data"');
  expect(start).not.toContain('--passphrase-file');
});

test('the service of the computer has a user and a folder of its own, and the passphrase as a credential', () => {
  const text = unitText(ofSystem);
  expect(text).toContain('DynamicUser=yes\n');
  expect(text).toContain('StateDirectory=usual-drag\n');
  expect(text).toContain('LoadCredential=passphrase:/etc/usual-drag/passphrase\n');
  expect(text).toContain('"--data" "%S/usual-drag/bench" "--passphrase-file" "%d/passphrase"');
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
