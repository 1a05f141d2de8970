import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseLine } from './parse-line.ts';

const text = readFileSync(join(__dirname, '../../../../../docs/line-notation.md'), 'utf8');
const lines = [...text.matchAll(/```\n(.*?)```/gs)].flatMap((block) => block[1]!.trim().split('\n'));
const table = text.split('\n').filter((line) => line.startsWith('| `'));

test.each(lines)('the documented line reads in: %s', (line) => {
  expect(parseLine(line)).toMatchObject({ ok: true });
});

test('every documented part reads in', () => {
  expect(lines.length).toBeGreaterThan(5);
  const parts = table.slice(0, 6).flatMap((line) => [...line.split('|')[1]!.matchAll(/`([^`]+)`/g)].map((m) => m[1]!));
  expect(parts.length).toBeGreaterThan(10);
  for (const part of parts) expect({ part, ok: parseLine(part).ok }).toEqual({ part, ok: true });
  for (const extra of ['R1 4k7 1% 0.25W =4k68', 'E1 24V <0.5A', 'J1 12.8mA <22V', 'L1 12V 4W polarised', '#4k7 10k'])
    expect({ extra, ok: parseLine(extra).ok }).toEqual({ extra, ok: true });
});
