import { once } from 'node:events';
import { readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { newFolder } from '../test/running-server.ts';
import { lastLines, openLogFile } from './log-file.ts';

test('the log is kept in files of one megabyte, the last lines are read from the present one', async () => {
  const folder = newFolder();
  expect(lastLines(folder, 10)).toEqual([]);
  const log = openLogFile(folder);
  const line = (k: number): string => `${k} ${'x'.repeat(1000)}\n`;
  for (let k = 0; k < 9000; k += 1) if (!log.write(line(k))) await once(log, 'drain');
  log.end('the end\n');
  await once(log, 'finish');
  const files = readdirSync(join(folder, 'logs')).filter((name) => name.endsWith('.log'));
  expect(files.sort()).toEqual([
    'server.1.log',
    'server.2.log',
    'server.3.log',
    'server.4.log',
    'server.5.log',
    'server.log',
  ]);
  for (const file of files) expect(statSync(join(folder, 'logs', file)).size).toBeLessThan(1.2e6);
  const last = lastLines(folder, 3);
  expect(last).toHaveLength(3);
  expect(last.at(-1)).toBe('the end');
  expect(last[0]).toMatch(/^8998 x+$/);
});

test('the server continues without a log that cannot be written, and reports that once', async () => {
  const folder = newFolder();
  // A file in the place of the folder.
  writeFileSync(join(folder, 'logs'), '');
  const reported: string[] = [];
  const write = jest.spyOn(process.stderr, 'write').mockImplementation((text) => (reported.push(String(text)), true));
  try {
    const log = openLogFile(folder);
    log.write('one\n');
    log.write('two\n');
    await new Promise<void>((closed) => {
      log.once('close', closed);
      log.end();
    });
  } finally {
    write.mockRestore();
  }
  expect(reported).toEqual([expect.stringMatching(/^The log cannot be written: .*logs/)]);
  expect(lastLines(folder, 10)).toEqual([]);
});
