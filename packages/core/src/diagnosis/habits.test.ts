import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { isOfReading, withFault, type Hypothesis } from '../faults/index.ts';
import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { expectationOf, standardUncertainty, type Reading } from '../readings/index.ts';
import { read } from '../test/read-line.ts';
import { diagnose, type Diagnosis } from './diagnose.ts';
import type { DiagnosedJob } from './diagnosed-job.ts';
import { toleranceOf } from './causes/elsewhere.ts';
import { fitJob } from './fit/fit.ts';
import { freeName } from './fit/free-name.ts';
import { faultFreePrediction } from './single-faults.ts';
import { observedReadings } from './predictions/observed.ts';
import { exercised, runs } from '../test/runs.ts';

interface Case {
  readonly job: DiagnosedJob & { readonly readings: readonly Reading[]; readonly instruments: readonly Instrument[] };
  readonly way: 'magnitude' | 'ohms' | 'only-ohms';
  readonly truth: Hypothesis | null;
}

const cases = readFileSync(join(__dirname, '../../vectors/habits.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Case);

function diagnosed(job: DiagnosedJob): Diagnosis {
  const made = diagnose(job);
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
}

const keyOf = ({ fault, where }: Hypothesis): string => `${fault} ${[...where].sort().join()}`;

test('worked cases: the hidden fault is in the first group, a fault-free job is consistent', () => {
  const missed = cases.flatMap(({ job, truth, way }, index) => {
    const { consistent, groups } = diagnosed(job);
    const first = groups[0]?.hypotheses.map(keyOf) ?? [];
    const isFound = truth === null ? consistent : !consistent && first.includes(keyOf(truth));
    return isFound ? [] : [`${index} ${way}: ${JSON.stringify(truth)}, found ${first.join('; ')}`];
  });
  expect(new Set(cases.map(({ way }) => way)).size).toBe(3);
  expect(missed).toEqual([]);
});

const ohmmeter: Instrument = {
  id: 'm',
  display: 'digital',
  functions: [
    {
      quantity: 'resistance',
      ranges: [
        { id: '200 Ω', fullScale: 199.9, testCurrent: 1e-3, resolution: 0.1, accuracyOfReading: 0.008 },
        { id: '20 MΩ', fullScale: 19.99e6, testCurrent: 1e-7, resolution: 1e-3, accuracyOfReading: 0.005 },
      ],
    },
    {
      quantity: 'dc-voltage',
      ranges: [{ id: '20 V', fullScale: 19.99, resistance: 1e7, resolution: 0.01, accuracyOfReading: 0.005 }],
    },
  ],
};

const ohms = (element: string, shown: string, range = '200 Ω'): Reading => ({
  id: `X-${element}`,
  quantity: 'resistance',
  instrument: 'm',
  range,
  element,
  observations: [{ shown, unit: 'Ω' }],
});

const volts = (id: string, red: string, black: string, shown: string): Reading => ({
  id,
  quantity: 'dc-voltage',
  instrument: 'm',
  range: '20 V',
  red,
  black,
  observations: [{ shown, unit: 'V' }],
});

const series = read('E1 5V: R1 150 5% + R2 82 5% + R3 27 5%');
const withReadings = (readings: readonly Reading[], more: Partial<DiagnosedJob> = {}): DiagnosedJob => ({
  network: series,
  instruments: [ohmmeter],
  readings,
  ...more,
});

test('two resistance readings that are exchanged: the two parts are exchanged', () => {
  const { consistent, groups } = diagnosed(withReadings([ohms('R1', '27.6'), ohms('R3', '150.9')]));
  expect(consistent).toBe(false);
  expect(groups[0]!.hypotheses[0]).toMatchObject({ fault: 'swapped', where: ['R1', 'R3'] });
  expect(groups[0]!.hypotheses[0]!.predictions).toEqual({ 'X-R1': 27, 'X-R3': 150 });
});

test('a resistance reading outside its tolerance needs a fault even if 2u covers the difference', () => {
  // 150 Ω ± 5 %: 157.9 Ω with U = 1.5 Ω is within, 159.5 Ω is not, although 2u of the prediction is 8.8 Ω.
  expect(diagnosed(withReadings([ohms('R1', '157.9')])).consistent).toBe(true);
  expect(diagnosed(withReadings([ohms('R1', '159.5')])).consistent).toBe(false);
});

test('an open part reads OL, and nothing is predicted for it as a number', () => {
  const { groups } = diagnosed(withReadings([ohms('R1', '151.0'), ohms('R2', 'OL'), volts('M1', 'B', '0', '5.00')]));
  const [first] = groups[0]!.hypotheses;
  expect(first).toMatchObject({ fault: 'open', where: ['R2'] });
  expect(first!.predictions).toMatchObject({ 'X-R1': 150, 'X-R2': null });
});

test('a measured value counts as the prediction unless it was taken from the reading', () => {
  const network = {
    ...series,
    values: 'measured' as const,
    elements: series.elements.map((one) => (one.kind === 'resistor' ? { ...one, measuredResistance: 155.2 } : one)),
  };
  const predicted = (shown: string) => {
    const unloaded = solveUnloaded(network);
    if (!unloaded.ok) throw new Error(unloaded.fault.code);
    const observing = { unloaded: unloaded.value, instruments: [ohmmeter], conventions: {} };
    return faultFreePrediction(observedReadings(observing, [ohms('R1', shown)])).values[0];
  };
  expect(predicted('155.2')).toBe(150);
  expect(predicted('155.1')).toBe(155.2);
});

test('a wrong supply or a bad contact leaves resistance readings unexplained', () => {
  const { groups } = diagnosed(withReadings([ohms('R1', '27.6'), ohms('R2', '82.1'), volts('M1', 'A', '0', '5.00')]));
  const kinds = new Set(groups.flatMap(({ hypotheses }) => hypotheses.map(({ fault }) => fault)));
  for (const kind of ['contact', 'supply-value', 'supply-off'] as const) expect(kinds).not.toContain(kind);
  expect(kinds).toContain('out-of-tolerance');
});

test('readings without signs: what agrees is consistent, a reversed supply and swapped leads are no hypotheses', () => {
  const conventions = { sign: 'magnitude' } as const;
  // 5 V over 259 Ω: 2.90 V, 1.58 V and 0.52 V, red and black taken the wrong way round, the minus signs dropped.
  const agreeing = [volts('M1', 'B', 'A', '2.90'), volts('M2', 'C', 'B', '1.58'), volts('M3', 'C', '0', '0.52')];
  expect(diagnosed(withReadings(agreeing, { conventions })).consistent).toBe(true);
  expect(diagnosed(withReadings(agreeing)).consistent).toBe(false);
  const wrong = [volts('M1', 'B', 'A', '2.90'), volts('M2', 'C', 'B', '1.85'), volts('M3', 'C', '0', '0.52')];
  const found = diagnosed(withReadings(wrong, { conventions })).groups.flatMap(({ hypotheses }) => hypotheses);
  expect(found.length).toBeGreaterThan(0);
  for (const { fault } of found) expect(['leads-swapped', 'supply-reversed']).not.toContain(fault);
});

test('readings without signs are fitted by their magnitudes', () => {
  const job = withReadings([volts('M1', 'B', 'A', '2.90'), volts('M2', '0', 'C', '0.52')], {
    conventions: { sign: 'magnitude' },
  });
  const made = fitJob(job, [freeName('E1.emf', job)!]);
  if (!made.ok) throw new Error(made.fault.code);
  expect(made.value.verdict).toBe('explains');
  const { value, uncertainty } = made.value.free['E1.emf']!;
  expect(Math.abs(value! - 5)).toBeLessThan(uncertainty!);
});

test('a fit whose value runs away is does-not-explain with nulls', () => {
  // More than the source gives: only an infinite resistance would come near to it.
  const job = withReadings([volts('M1', 'A', 'B', '6.20'), volts('M2', 'A', '0', '5.00')]);
  const made = fitJob(job, [freeName('R1.resistance', job)!]);
  if (!made.ok) throw new Error(made.fault.code);
  expect(made.value).toMatchObject({
    verdict: 'does-not-explain',
    free: { 'R1.resistance': { value: null, uncertainty: null } },
    misfit: null,
    residuals: {},
  });
});

test('a shorted part has no tolerance of its own', () => {
  const network = read('E1 10V/96: R1 12k 5% || (R2 1k 5% + R3 2.2k 5%)');
  // 4.42 V at A: a short of R1 across the source predicts 0 V there, and nothing near it.
  const { groups } = diagnosed({ network, instruments: [ohmmeter], readings: [volts('M1', 'A', '0', '4.42')] });
  const shorts = groups.flatMap(({ hypotheses }) => hypotheses).filter(({ fault }) => fault === 'short');
  expect(shorts).toEqual([]);
});

test('property: every member of a group predicts what its leader predicts, each solved by itself', () => {
  const networks = [
    'E1 24V/2: R1 1.2k 5% + (R2 3.3k 5% || R3 4.7k 2%) + R4 680 5%',
    'E1 12V/50: R1 12k 5% || (R2 1k 5% + R3 2.2k 5%)',
    'E1 9V: R1 470 1% + R2 470 1% + (R3 1k 10% || R4 2.2k 10%)',
  ].map((line) => read(line));
  const faults: readonly Hypothesis[] = [
    { fault: 'open', where: ['R2'], value: null },
    { fault: 'short', where: ['R3'], value: null },
    { fault: 'short', where: ['R1'], value: null },
    { fault: 'decade', where: ['R2'], value: 10 },
    { fault: 'swapped', where: ['R1', 'R3'], value: null },
    { fault: 'supply-off', where: ['E1'], value: null },
  ];
  let compared = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...networks),
      fc.constantFrom(...faults),
      fc.constantFrom('keep' as const, 'magnitude' as const),
      fc.array(fc.double({ min: -0.8, max: 0.8, noNaN: true }), { minLength: 4, maxLength: 4 }),
      (network, fault, sign, offsets) => {
        let at = 0;
        const built = {
          ...network,
          elements: network.elements.map((one) =>
            one.kind === 'resistor'
              ? { ...one, resistance: one.resistance * (1 + (one.tolerance ?? 0) * offsets[at++ % 4]!) }
              : one,
          ),
        };
        const bench = { network: built, instruments: [ohmmeter] };
        const faulty = withFault(bench, fault);
        const unloaded = solveUnloaded(faulty.network);
        if (!unloaded.ok) throw new Error(unloaded.fault.code);
        const nodes = [...new Set(network.elements.flatMap(({ from, to }) => [from, to]))].filter((one) => one !== '0');
        const readings = nodes.map((node, k): Reading => {
          const blank = volts(`M${k + 1}`, node, '0', '0');
          const { expected } = expectationOf(unloaded.value, [ohmmeter], blank);
          return { ...blank, observations: [{ shown: (expected ?? 0).toFixed(2), unit: 'V' }] };
        });
        const job = { network, instruments: [ohmmeter], readings, conventions: { sign } };
        for (const { hypotheses } of diagnosed(job).groups) {
          const widest = readings.map(() => 0);
          for (const { predictions, ...hypothesis } of hypotheses) {
            if (isOfReading(hypothesis) || hypothesis.fault === 'meter' || hypothesis.fault === 'supply-limited')
              continue;
            const solved = solveUnloaded(withFault({ network, instruments: [ohmmeter] }, hypothesis).network);
            if (!solved.ok) continue;
            readings.forEach((reading, k) => {
              const expectation = expectationOf(solved.value, [ohmmeter], reading);
              expect(Math.abs(predictions[reading.id]! - (expectation.expected ?? 0))).toBeLessThan(1e-6);
              widest[k] = Math.max(widest[k]!, toleranceOf(expectation));
              compared += 1;
            });
          }
          // Every member is within 2u of the leader, so any two of them within 4u of each other.
          readings.forEach((reading, k) => {
            const values = hypotheses.map(({ predictions }) => predictions[reading.id]!);
            const recorded = sign === 'magnitude' ? values.map(Math.abs) : values;
            const u = Math.hypot(
              standardUncertainty(reading, ohmmeter, Math.max(...recorded.map(Math.abs)), 0),
              widest[k]!,
            );
            if (widest[k]! > 0) expect(Math.max(...recorded) - Math.min(...recorded)).toBeLessThanOrEqual(4 * u);
          });
        }
      },
    ),
    { numRuns: runs(60) },
  );
  expect(compared).toBeGreaterThan(exercised(100));
});
