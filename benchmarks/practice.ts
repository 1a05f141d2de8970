import { solveWorksheet, type Worksheet } from '@usual-drag/core/worksheet';
import { levels, makeProblem, problemKinds } from '@usual-drag/core/practice';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { duration, line } from './measure.ts';

const seeds = 60;

/** Prints the time for making a problem of each kind, and for solving a worksheet. */
export function benchPractice(): void {
  console.log('\nPractice: a problem made, the mean over three levels');
  for (const kind of problemKinds) {
    for (const level of levels) makeProblem(kind, level, 0);
    const begun = performance.now();
    for (const level of levels) for (let seed = 1; seed <= seeds; seed += 1) makeProblem(kind, level, seed);
    const each = (performance.now() - begun) / 1000 / (levels.length * seeds);
    line(`  ${kind} (${duration(each)})`, `${(each / 0.01).toFixed(2)} of 10 ms`);
  }
  const sheets = readFileSync(join(process.cwd(), 'packages/core/vectors/worksheet.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((text) => (JSON.parse(text) as { worksheet: Worksheet }).worksheet);
  for (const sheet of sheets) solveWorksheet(sheet);
  const begun = performance.now();
  for (const sheet of sheets) solveWorksheet(sheet);
  const each = (performance.now() - begun) / 1000 / sheets.length;
  line(`A worksheet with all its steps (${duration(each)})`, `${(each / 0.016).toFixed(2)} of a frame`);
}
