import { parseLine } from '@usual-drag/core/network';
import { builtInKit, findRange, indicatedWhen, instrumentForJob, type Instrument } from '@usual-drag/core/instrument';
import { correctDisplay, measurementPointOf, rangeTable, solveUnloaded, type Setup } from '@usual-drag/core/loading';
import { expectationsOf, type Reading } from '@usual-drag/core/readings';
import { makePlan, type ReadStep } from '@usual-drag/core/plan';
import {
  compareJob,
  jobMeant,
  jobStatus,
  networkMeant,
  readingsStatus,
  rowsFromReadings,
  solveJob,
  trueValuesOf,
  type Job,
} from '@usual-drag/core/job';
import { makeReport } from '@usual-drag/core/report';
import fc from 'fast-check';
import { demoJobs } from './demo-jobs.ts';

/** Figures that a test has compared, by the pair of places: none may be left out without notice. */
const compared = new Map<string, number>();
const count = (what: string): void => void compared.set(what, (compared.get(what) ?? 0) + 1);

const close = (found: number | null, wanted: number | null, what: string): void => {
  if (found === null || wanted === null) expect([what, found]).toEqual([what, wanted]);
  else expect([what, Math.abs(found - wanted) <= 1e-9 * Math.abs(wanted) + 1e-15]).toEqual([what, true]);
  count(what);
};

/** Compares every figure of a job that appears in more than one place. */
function compareFigures(job: Job): void {
  const solved = solveJob(job);
  const comparison = compareJob(job);
  const unloaded = solveUnloaded(networkMeant(job));
  const report = makeReport(job);
  if (!solved.ok || !comparison.ok || !unloaded.ok || !report.ok) throw new Error(`${job.title} cannot be solved`);
  const { instruments = [], setups = [] } = job;
  const { readings } = comparison.value;
  const taken = (jobMeant(job).readings ?? []).filter(({ struck }) => struck === undefined);

  // The card of a job and its step against the command line.
  const status = jobStatus(job, trueValuesOf(networkMeant(job)));
  const meters = Object.values(solved.value.setups).flatMap((setup) => Object.values(setup.meters));
  const errors = meters.flatMap(({ state, relativeError }) => (state === 'ok' ? (relativeError ?? []) : []));
  close(
    status.worstError,
    errors.reduce<number | null>((a, b) => (a !== null && Math.abs(a) >= Math.abs(b) ? a : b), null),
    'card, solve',
  );
  expect(status.unreadable).toHaveLength(meters.filter(({ state }) => state !== 'ok').length);
  const off = Object.values(readings).filter(({ verdict }) => verdict === 'does-not-agree').length;
  const summary = readingsStatus(job, trueValuesOf(networkMeant(job)));
  if (summary) close(summary.doNotAgree, off, 'card, compare');

  // The report and the CSV of the log against the command line.
  for (const { reading, compared: of } of report.value.readings) {
    if (!of) continue;
    for (const key of ['value', 'expected', 'uncertainty', 'corrected', 'correctedUncertainty'] as const)
      close(of[key], readings[reading.id]![key], `report, compare: ${key}`);
    expect(of.verdict).toBe(readings[reading.id]!.verdict);
  }
  const [heading, ...rows] = rowsFromReadings(taken, readings);
  rows.forEach((cells, index) => {
    for (const key of ['value', 'expected', 'corrected', 'correctedUncertainty'] as const) {
      const cell = cells[heading!.indexOf(key)]!;
      close(cell === '' ? null : Number(cell), readings[taken[index]!.id]![key], `CSV, compare: ${key}`);
    }
  });
  for (const { sum, parts } of report.value.sums) {
    close(sum.uncertainty, Math.hypot(parts.accuracy, parts.resolution, parts.spread), 'shares of a sum, U');
    close(parts.gap, sum.sum, 'report, compare: sum');
  }

  // A step of the plan against the expectation of a reading at it.
  const plan = makePlan(jobMeant(job));
  const expect_ = expectationsOf(unloaded.value, instruments);
  for (const step of plan.ok ? plan.value.steps : []) {
    if (step.do !== 'read') continue;
    close(step.expected, expect_(readingAt(step)).expected, `plan, log: ${step.quantity}`);
  }

  // Set-ups: the range table, the face of a meter and a reading that repeats its display.
  for (const setup of setups) {
    for (const meter of setup.meters) {
      const { indicated, state } = solved.value.setups[setup.id]!.meters[meter.id]!;
      const instrument = instruments.find(({ id }) => id === meter.instrument)!;
      const range = findRange(instrument, meter.quantity, meter.range)!;
      const point = measurementPointOf(unloaded.value, instruments, setup, meter.id);
      if (!point.ok || indicated === null || state !== 'ok') continue;
      const option = rangeTable(point.value, meter.quantity, [instrument]).find((one) => one.range.id === range.id);
      if (!option) continue;
      close(option.indicated, indicated, 'range table, solve');
      const display = indicatedWhen(range.calibration, indicated);
      const corrected = correctDisplay(instrument, range, display, point.value.correctionOn);
      if (!corrected.ok) continue;
      close(corrected.value.uncertainty, option.corrected, 'face, range table: U of the corrected value');
      close(corrected.value.value, solved.value.setups[setup.id]!.meters[meter.id]!.true, 'face, solve: corrected');
      const asReading = readingOf(setup, meter.id, display);
      const again = compareJob({ ...job, version: 3, readings: [asReading] });
      if (!again.ok) throw new Error(again.fault.message);
      close(again.value.readings.X!.corrected, corrected.value.value, 'log, face: corrected');
      close(again.value.readings.X!.correctedUncertainty, corrected.value.uncertainty, 'log, face: U');
    }
  }
}

function readingAt(step: ReadStep): Reading {
  const base = { id: 'P', instrument: step.instrument, range: step.range, observations: [] };
  if (step.quantity === 'resistance') return { ...base, quantity: 'resistance', element: step.element };
  if (step.quantity === 'dc-current') {
    const { node, ends, reversed } = step;
    return { ...base, quantity: 'dc-current', node, ends, ...(reversed && { reversed }) };
  }
  const { red, black, unloaded } = step;
  return { ...base, quantity: 'dc-voltage', red, black, ...(unloaded !== undefined && { unloaded }) };
}

/** A reading that repeats the display of a set-up's meter to all of its digits. */
function readingOf({ meters }: Setup, id: string, display: number): Reading {
  const { id: _own, ...meter } = meters.find((one) => one.id === id)!;
  const exponent = Math.floor(Math.log10(Math.abs(display) || 1) / 3) * 3;
  const prefix = ({ 0: '', 3: 'k', 6: 'M', [-3]: 'm', [-6]: 'µ', [-9]: 'n' } as Record<number, string>)[exponent];
  if (prefix === undefined) throw new Error(`${display} has no prefix`);
  const shown = Number((display / 10 ** exponent).toPrecision(13)).toString();
  return {
    ...meter,
    id: 'X',
    observations: [{ shown, unit: prefix + (meter.quantity === 'dc-voltage' ? 'V' : 'A') }],
    alongside: meters.filter((one) => one.id !== id),
  };
}

test.each(demoJobs.map((job) => [job.title!, job] as const))('%s: one figure for one question', (_title, job) =>
  compareFigures(job),
);

const kit: readonly Instrument[] = builtInKit.slice(0, 3).map(instrumentForJob);
const ohms = fc.constantFrom(10, 47, 82, 150, 680, 1000, 4700, 10_000, 56_000, 220_000);

test('property: random jobs have one figure for one question, too', () => {
  let solved = 0;
  fc.assert(
    fc.property(
      fc.array(ohms, { minLength: 4, maxLength: 4 }),
      fc.constantFrom(1.5, 5, 9, 12, 24),
      fc.constantFrom('analogue-20k', 'digital-2000', 'analogue-2k'),
      fc.constantFrom('A', 'B', 'C'),
      fc.boolean(),
      ([a, b, c, d], emf, instrument, red, both) => {
        const network = parseLine(`E1 ${emf}V/2: R1 ${a} 5% + (R2 ${b} 1% || R3 ${c} 5%) + R4 ${d} 2%`);
        if (!network.ok) throw new Error(network.fault.message);
        const used = kit.find(({ id }) => id === instrument)!;
        const ranges = used.functions!.find(({ quantity }) => quantity === 'dc-voltage')!.ranges;
        const amps = kit[0]!.functions!.find(({ quantity }) => quantity === 'dc-current')!.ranges;
        const setup: Setup = {
          id: 'S-1',
          meters: [
            { id: 'V1', instrument, quantity: 'dc-voltage', range: ranges.at(-2)!.id, red, black: '0' },
            ...(both
              ? [
                  {
                    id: 'A1',
                    instrument: kit[0]!.id,
                    quantity: 'dc-current' as const,
                    range: amps[4]!.id,
                    node: 'A',
                    ends: ['R1.from'],
                  },
                ]
              : []),
          ],
        };
        compareFigures({
          format: 'usual-drag/job',
          version: 3,
          title: 'random',
          network: network.value,
          instruments: kit,
          setups: [setup],
          readings: [{ ...readingOf(setup, 'V1', emf / 3), id: 'M1' }],
        });
        solved += 1;
      },
    ),
    { numRuns: 40 },
  );
  expect(solved).toBe(40);
});

afterAll(() => {
  const places = [...compared.keys()].map((what) => what.split(':')[0]!);
  for (const pair of ['card, solve', 'card, compare', 'report, compare', 'CSV, compare', 'plan, log', 'log, face'])
    expect(places).toContain(pair);
  expect([...compared.values()].reduce((sum, one) => sum + one, 0)).toBeGreaterThan(1000);
});
