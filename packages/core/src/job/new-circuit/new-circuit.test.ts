import fc from 'fast-check';
import { solveUnloaded } from '../../loading/index.ts';
import { nodesOf, type Network } from '../../network/index.ts';
import { read } from '../../test/read-line.ts';
import { exercised, runs } from '../../test/runs.ts';
import { jobFaults } from '../solve-job.ts';
import type { Job } from '../job.ts';
import { newJob } from '../edits/job-edits.ts';
import { arrangementsOf } from './arrangements.ts';
import { newCircuit, rolesBySize } from './new-circuit.ts';

const meter = {
  id: 'm',
  functions: [{ quantity: 'dc-voltage' as const, ranges: [{ id: '20 V', fullScale: 20, resistance: 1e7 }] }],
};
const observations = [{ shown: '99.8', unit: 'Ω' as const, at: '2026-11-30T09:00:00Z' }];
const first: Job = {
  ...newJob('In series'),
  version: 2,
  record: { order: 'SL-WO-2240', asset: 'SL-060', notes: 'of this circuit alone' },
  network: read('E1 9V/0.5: R1 47 =46.9 + R2 68 "sense" + R3 100 1%'),
  instruments: [meter],
  conventions: { negativeLead: 'black' } as never,
  setups: [{ id: 'S-1', meters: [] }],
  readings: [
    { id: 'M1', quantity: 'resistance', instrument: 'm', range: '200 Ω', element: 'R3', observations },
    { id: 'M2', quantity: 'dc-voltage', instrument: 'm', range: '20 V', red: 'A', black: '0', observations: [] },
    {
      id: 'M3',
      quantity: 'resistance',
      instrument: 'm',
      range: '200 Ω',
      element: 'R1',
      observations,
      struck: { why: 'lead off', at: '2026-11-30T09:01:00Z' },
    },
  ] as never,
};
const same = first.network.elements.map(({ id }) => ({ id, role: id }));
const made = (line: string, parts = same): Job => {
  const circuit = newCircuit(first, { title: 'Next', parts, line, date: '2026-11-30' });
  if (!circuit.ok) throw new Error(circuit.fault.message);
  return circuit.value;
};

test('parts keep their values, job details and instruments come along, set-ups and other readings do not', () => {
  const next = made('E1: R1 || R2 + R3');
  expect(jobFaults(next)).toEqual([]);
  expect(next.network.elements).toEqual(read('E1 9V/0.5: R1 47 =46.9 || R2 68 "sense" + R3 100 1%').elements);
  expect(next.record).toEqual({ order: 'SL-WO-2240', asset: 'SL-060', date: '2026-11-30' });
  expect([next.instruments, next.conventions, next.setups]).toEqual([[meter], first.conventions, []]);
  expect(next.readings).toEqual([{ ...first.readings![0], note: 'Taken in “In series”.' }]);
});

test('a reading with a note keeps it, and one that is copied twice keeps the name of its first circuit', () => {
  const noted: Job = { ...first, readings: first.readings!.map((one) => ({ ...one, note: 'cold' })) };
  const again = (job: Job, title: string): Job => {
    const circuit = newCircuit(job, { title, parts: same, line: 'E1: R1 + R2 + R3', date: '2026-11-30' });
    if (!circuit.ok) throw new Error(circuit.fault.message);
    return circuit.value;
  };
  const second = again(noted, 'Second');
  expect(second.readings).toMatchObject([{ note: 'cold Taken in “In series”.' }]);
  expect(again(second, 'Third').readings).toMatchObject([{ note: 'cold Taken in “In series”.' }]);
});

test('points get new letters, whatever the parts were joined to before', () => {
  expect(nodesOf(made('E1: R3 + R1').network)).toEqual(['A', '0', 'B']);
  expect(made('E1: R3 + R1').network.elements.find(({ id }) => id === 'R3')).toMatchObject({ from: 'A', to: 'B' });
});

test('by size the largest is R1, marked with the name that it had; its resistance readings follow', () => {
  const roles = rolesBySize(first.network.elements);
  expect(roles).toEqual([
    { id: 'E1', role: 'E1' },
    { id: 'R1', role: 'R3' },
    { id: 'R2', role: 'R2' },
    { id: 'R3', role: 'R1' },
  ]);
  const next = made('E1: R1 + R2 + R3', roles);
  expect(next.network.elements.find(({ id }) => id === 'R1')).toMatchObject({ resistance: 100, bodyLabel: 'R3' });
  expect(next.network.elements.find(({ id }) => id === 'R2')).not.toHaveProperty('bodyLabel');
  expect(next.readings).toMatchObject([{ id: 'M1', element: 'R1' }]);
  expect(next.version).toBe(2);
});

test('a part that is left out takes its readings with it; a line with an unknown name says where', () => {
  expect(made('E1: R1 + R2').readings).toBeUndefined();
  const wrong = newCircuit(first, { title: 'Next', parts: same, line: 'E1: R1 + R9', date: '2026-11-30' });
  expect(wrong).toMatchObject({ ok: false, fault: { at: 9 } });
});

test('the arrangements of three parts: eight different resistances, each by its closed form', () => {
  const [a, b, c] = [46.9, 68, 100];
  const beside = (...ohms: number[]): number => 1 / ohms.reduce((sum, one) => sum + 1 / one, 0);
  const expected = [
    a + b + c,
    beside(a, b, c),
    a + beside(b, c),
    b + beside(a, c),
    c + beside(a, b),
    beside(a, b + c),
    beside(b, a + c),
    beside(c, a + b),
  ];
  const lines = arrangementsOf('E1', ['R1', 'R2', 'R3']);
  expect(lines.map(({ line }) => seen({ ...made(line).network, values: 'measured' }))).toEqual(
    expected.map((ohms) => expect.closeTo(ohms, 9) as number),
  );
  expect(new Set(lines.map(({ name }) => name)).size).toBe(8);
  expect(arrangementsOf(null, ['R1'])).toEqual([{ name: 'alone', line: 'R1' }]);
  expect(arrangementsOf('E1', ['R1', 'R2', 'R3', 'R4'])).toHaveLength(2);
});

/** Resistance that the source sees outside itself. */
function seen(network: Network): number {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const { voltage, current } = unloaded.value.values.elements.E1!;
  return Math.abs(voltage! / current!);
}

test('property: series and parallel of any parts are fed with the sum of resistances, and of conductances', () => {
  let tried = 0;
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 1_000_000 }), { minLength: 2, maxLength: 8 }), (ohms) => {
      const elements = ohms.map((resistance, index) => ({
        id: `R${index + 1}`,
        kind: 'resistor' as const,
        from: `N${index}`,
        to: `N${index + 1}`,
        resistance,
      }));
      const source = { id: 'E1', kind: 'source' as const, from: 'N0', to: `N${ohms.length}`, emf: 5 };
      const job: Job = { ...newJob('Any'), network: { elements: [source, ...elements] } };
      const parts = job.network.elements.map(({ id }) => ({ id, role: id }));
      const [series, parallel] = arrangementsOf(
        'E1',
        elements.map(({ id }) => id),
      ).map(({ line }) => {
        const circuit = newCircuit(job, { title: 'Any', parts, line, date: '2026-11-30' });
        return circuit.ok ? seen(circuit.value.network) : NaN;
      });
      const sum = ohms.reduce((all, one) => all + one, 0);
      const beside = 1 / ohms.reduce((all, one) => all + 1 / one, 0);
      expect(series! / sum).toBeCloseTo(1, 9);
      expect(parallel! / beside).toBeCloseTo(1, 9);
      tried += 1;
    }),
    { numRuns: runs(100) },
  );
  expect(tried).toBeGreaterThan(exercised(50));
});
