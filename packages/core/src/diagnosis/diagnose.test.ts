import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Instrument } from '../instrument/index.ts';
import { solveSetup, solveUnloaded } from '../loading/index.ts';
import { setupOf, type Reading } from '../readings/index.ts';
import { diagnose, type Diagnosis } from './diagnose.ts';
import type { DiagnosedJob } from './diagnosed-job.ts';
import type { Hypothesis } from '../faults/index.ts';
import { withFault } from '../faults/index.ts';

interface Case {
  readonly job: DiagnosedJob & { readonly instruments: readonly Instrument[]; readonly readings: readonly Reading[] };
  readonly truth: Hypothesis | null;
}

const cases = readFileSync(join(__dirname, '../../vectors/diagnose.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Case);

const diagnosed = cases.map(({ job }): Diagnosis => {
  const made = diagnose(job);
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
});

const fittedFaults = new Set(['contact', 'out-of-tolerance', 'supply-value', 'supply-limited', 'meter']);

/** Whether two hypotheses are one, a fitted value within a tenth. */
function isSame(a: Hypothesis, b: Hypothesis): boolean {
  if (a.fault !== b.fault || [...a.where].sort().join() !== [...b.where].sort().join()) return false;
  return fittedFaults.has(b.fault) || JSON.stringify(a.value) === JSON.stringify(b.value);
}

test('worked cases: the hidden fault is in the first group, a sound job is called consistent', () => {
  const missed = cases.flatMap(({ truth }, index) => {
    const { consistent, groups } = diagnosed[index]!;
    if (truth === null) return consistent ? [] : [`${index}: sound`];
    const first = groups[0]?.hypotheses.some((one) => isSame(one, truth)) ?? false;
    return first && !consistent ? [] : [`${index}: ${truth.fault}`];
  });
  expect(cases.length).toBeGreaterThan(50);
  expect(missed).toEqual([]);
});

test('a fitted resistance or voltage is near the hidden one', () => {
  const ratios = cases.flatMap(({ truth }, index) => {
    if (typeof truth?.value !== 'number' || !fittedFaults.has(truth.fault)) return [];
    const found = diagnosed[index]!.groups[0]!.hypotheses.find((one) => isSame(one, truth))!;
    return [(found.value as number) / truth.value];
  });
  expect(ratios.length).toBeGreaterThan(5);
  for (const ratio of ratios) expect(Math.abs(Math.log(ratio))).toBeLessThan(0.5);
});

const ofCircuit = new Set(['open', 'short', 'decade', 'swapped', 'contact', 'out-of-tolerance', 'switch', 'meter']);
const ofSource = new Set(['supply-off', 'supply-reversed', 'supply-value']);

test('every prediction of a circuit’s fault is what solving the changed network gives', () => {
  let compared = 0;
  cases.forEach(({ job }, index) => {
    for (const { hypotheses } of diagnosed[index]!.groups)
      for (const hypothesis of hypotheses) {
        if (!ofCircuit.has(hypothesis.fault) && !ofSource.has(hypothesis.fault)) continue;
        const { network, instruments } = withFault(job, hypothesis);
        const unloaded = solveUnloaded(network);
        if (!unloaded.ok) continue;
        const sizes = Object.values(hypothesis.predictions).map((value) => Math.abs(value ?? 0));
        for (const reading of job.readings) {
          if (reading.quantity === 'resistance' || !(reading.id in hypothesis.predictions)) continue;
          const solved = solveSetup(unloaded.value, instruments, setupOf(reading));
          if (!solved.ok) continue;
          const wanted = solved.value.meters.own!.indicated ?? 0;
          const found = hypothesis.predictions[reading.id]!;
          expect(Math.abs(found - wanted)).toBeLessThanOrEqual(
            1e-6 * Math.abs(wanted) + 1e-9 * Math.max(...sizes) + 1e-12,
          );
          compared += 1;
        }
      }
  });
  expect(compared).toBeGreaterThan(200);
});

test('within a group slips of the hand come before failed parts, and every hypothesis says how it is checked', () => {
  for (const { groups } of diagnosed)
    for (const { misfit, hypotheses } of groups) {
      expect(misfit).toBeLessThanOrEqual(2);
      const hand = hypotheses.map(({ where }) => /^M\d/.test(where[0]!));
      expect(hand).toEqual([...hand].sort((a, b) => Number(b) - Number(a)));
      for (const { check } of hypotheses) expect(check).toMatch(/[.?]$/);
    }
});

const meter: Instrument = {
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [{ id: '20 V', fullScale: 19.99, resistance: 1e7, resolution: 0.01, accuracyOfReading: 0.005 }],
    },
  ],
};

const volts = (id: string, red: string, black: string, shown: string, unit = 'V'): Reading => ({
  id,
  quantity: 'dc-voltage',
  instrument: 'm',
  range: '20 V',
  red,
  black,
  observations: [{ shown, unit }],
});

/** 12 V over three equal resistors. */
const job = (readings: readonly Reading[]): DiagnosedJob => ({
  network: {
    reference: '0',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12 },
      ...(['AB', 'BC', 'C0'] as const).map(
        (ends, k) => ({ id: `R${k + 1}`, kind: 'resistor', from: ends[0]!, to: ends[1]!, resistance: 1000 }) as const,
      ),
    ],
  },
  instruments: [meter],
  readings,
});

test('a reading in the wrong unit is named as that, first', () => {
  const made = diagnose(
    job([volts('M1', 'A', '0', '12.00'), volts('M2', 'B', '0', '8.00', 'mV'), volts('M3', 'C', '0', '4.00')]),
  );
  expect(made.ok && made.value.groups[0]!.hypotheses[0]).toMatchObject({ fault: 'prefix', where: ['M2'], value: 1e-3 });
});

test('two swapped digits are named first, with the text put right', () => {
  const made = diagnose(
    job([volts('M1', 'A', '0', '12.00'), volts('M2', 'B', '0', '8.00'), volts('M3', 'C', '0', '0.40')]),
  );
  expect(made.ok && made.value.groups[0]!.hypotheses[0]).toMatchObject({
    fault: 'digits-swapped',
    where: ['M3'],
    value: '4.00',
  });
});

test('a current taken in the trunk instead of the branch is named as that, first', () => {
  const amps = (id: string, node: string, end: string, shown: string): Reading => ({
    id,
    quantity: 'dc-current',
    instrument: 'a',
    range: '200 mA',
    node,
    ends: [end],
    observations: [{ shown, unit: 'mA' }],
  });
  const ammeter: Instrument = {
    id: 'a',
    display: 'digital',
    functions: [
      {
        quantity: 'dc-current',
        ranges: [
          {
            id: '200 mA',
            fullScale: 0.1999,
            resistance: 1,
            resolution: 1e-5,
            accuracyOfReading: 0.005,
            accuracyCounts: 1,
          },
        ],
      },
    ],
  };
  // 12 V over 100 Ω and three branches: 200, 300 and 600 Ω together are 100 Ω. M2 was meant for the branch of 300 Ω.
  const part = (id: string, from: string, resistance: number) =>
    ({ id, kind: 'resistor', from, to: from === 'A' ? 'B' : '0', resistance }) as const;
  const made = diagnose({
    network: {
      reference: '0',
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12 },
        part('R1', 'A', 100),
        part('R2', 'B', 200),
        part('R3', 'B', 300),
        part('R4', 'B', 600),
      ],
    },
    instruments: [meter, ammeter],
    readings: [
      volts('M1', 'B', '0', '6.00'),
      amps('M2', 'B', 'R3.from', '59.70'),
      amps('M3', 'B', 'R2.from', '29.93'),
      amps('M4', 'B', 'R4.from', '9.99'),
    ],
  });
  const first = made.ok ? made.value.groups[0]!.hypotheses : [];
  expect(first[0]).toMatchObject({ fault: 'wrong-place', where: ['M2'] });
  expect(first.map(({ value }) => value)).toContainEqual({ node: 'A', ends: ['R1.from'] });
});

test('what one reading leaves open another would tell: the next reading separates the leading groups', () => {
  // Nothing at B: R1 may be open, or either lead of that one reading may have touched nothing.
  const made = diagnose(job([volts('M1', 'A', '0', '12.00'), volts('M2', 'B', '0', '0.00')]));
  if (!made.ok) throw new Error();
  const [first] = made.value.groups;
  expect(first!.hypotheses.map(({ fault }) => fault)).toEqual(expect.arrayContaining(['hanging', 'open']));
  const apart = diagnose(
    job([volts('M1', 'A', '0', '12.00'), volts('M2', 'B', '0', '5.15'), volts('M3', 'C', '0', '2.57')]),
  );
  if (!apart.ok) throw new Error();
  expect(apart.value.groups.length).toBeGreaterThan(0);
});

test('sound readings need no fault', () => {
  const made = diagnose(job([volts('M1', 'A', '0', '12.00'), volts('M2', 'B', '0', '8.00')]));
  expect(made.ok && made.value).toMatchObject({ consistent: true, groups: [], next: null });
});
