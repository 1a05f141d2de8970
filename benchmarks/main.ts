// npm run bench: every figure is a ratio of two things timed in this run; times beside them are for orientation only.
// npm run bench -- NAME…: these benchmarks only.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { benchBoard } from './board.ts';
import { benchBudgets } from './budgets.ts';
import { benchDiagnosis } from './diagnosis.ts';
import { benchDiagnosisSpeed } from './diagnosis-speed.ts';
import { benchFirstLoad } from './first-load.ts';
import { benchGrid } from './grid.ts';
import { benchJobFile } from './job-file.ts';
import { benchLoadingMap } from './loading-map.ts';
import { benchLuMisses } from './lu-misses.ts';
import { line } from './measure.ts';
import { benchPractice } from './practice.ts';
import { benchRangeTable } from './range-table.ts';
import { benchReadings } from './readings.ts';
import { benchSampling } from './sampling.ts';
import { benchSolving } from './solving.ts';
import { benchTechnicians } from './technicians.ts';
import { benchTyping } from './typing.ts';
import { benchWorkshop } from './workshop.ts';

const benchmarks: Readonly<Record<string, () => void | Promise<void>>> = {
  'job-file': benchJobFile,
  solving: benchSolving,
  'lu-misses': benchLuMisses,
  typing: benchTyping,
  'range-table': benchRangeTable,
  'loading-map': benchLoadingMap,
  readings: benchReadings,
  practice: benchPractice,
  diagnosis: benchDiagnosis,
  'diagnosis-speed': benchDiagnosisSpeed,
  board: benchBoard,
  budgets: benchBudgets,
  grid: benchGrid,
  sampling: benchSampling,
  workshop: benchWorkshop,
  technicians: techniciansIfBuilt,
  'first-load': benchFirstLoad,
};

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !(name in benchmarks));
if (unknown.length > 0) {
  console.error(`Unknown benchmark: ${unknown.join(', ')}. There are: ${Object.keys(benchmarks).join(', ')}.`);
  process.exit(2);
}
for (const [name, run] of Object.entries(benchmarks)) if (wanted.length === 0 || wanted.includes(name)) await run();

async function techniciansIfBuilt(): Promise<void> {
  if (existsSync(join(process.cwd(), 'apps/server/dist/main.js'))) await benchTechnicians();
  else line('\nMany technicians at once', 'not built yet: npm run build');
}
