import fc from 'fast-check';
import type { Instrument } from '../../instrument/index.ts';
import { solveSetup, solveUnloaded, type Setup } from '../../loading/index.ts';
import type { Network } from '../../network/index.ts';
import type { Reading } from '../../readings/index.ts';
import { exercised, runs } from '../../test/runs.ts';
import type { Job } from '../job.ts';
import { newCircuit } from '../new-circuit/new-circuit.ts';
import { newJob } from '../edits/job-edits.ts';
import { read } from '../../test/read-line.ts';
import { partResistances } from './part-resistances.ts';
import { withoutRepeated } from './without-repeated.ts';

const meter: Instrument = {
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [{ id: 'v', fullScale: 20, resistance: 20_000, resolution: 1e-6, accuracyOfReading: 0.001 }],
    },
    {
      quantity: 'dc-current',
      ranges: [{ id: 'a', fullScale: 2, resistance: 5, resolution: 1e-9, accuracyOfReading: 0.001 }],
    },
    { quantity: 'resistance', ranges: [{ id: 'r', fullScale: 1e6, resolution: 1e-3, accuracyOfReading: 0.002 }] },
  ],
} as Instrument;

/** Display of the meter at a place of the circuit as it really is, alone in it. */
function displayed(network: Network, reading: Reading): string {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const setup: Setup = { id: 'S', meters: [{ ...reading, id: 'X' } as never] };
  const solved = solveSetup(unloaded.value, [meter], setup);
  if (!solved.ok) throw new Error(solved.fault.code);
  return solved.value.meters.X!.indicated!.toPrecision(12);
}

/** A circuit with V and I of every resistor read, one meter at a time. */
function readCircuit(job: Job): Job {
  const own = job.network.elements.filter(({ kind }) => kind === 'resistor');
  const places = own.flatMap(({ id, from, to }): object[] => [
    { id: `V-${id}`, quantity: 'dc-voltage', instrument: 'm', range: 'v', red: from, black: to },
    { id: `A-${id}`, quantity: 'dc-current', instrument: 'm', range: 'a', node: from, ends: [`${id}.from`] },
  ]);
  const readings = places.map((place): Reading => {
    const reading = { ...place, observations: [] } as unknown as Reading;
    const shown = displayed(job.network, reading);
    const unit = reading.quantity === 'dc-voltage' ? 'V' : 'A';
    return { ...reading, observations: [{ shown, unit, at: '2026-11-30T09:00:00Z' }] };
  });
  return { ...job, version: 2, readings: [...(job.readings ?? []), ...readings] };
}

const chain: Job = {
  ...newJob('In series'),
  version: 2,
  network: read('E1 9V/0.5: R1 470 + R2 680 + R3 1000'),
  instruments: [meter],
  readings: [
    {
      id: 'M1',
      quantity: 'resistance',
      instrument: 'm',
      range: 'r',
      element: 'R1',
      observations: [{ shown: '470.2', unit: 'Ω', at: '2026-11-30T08:00:00Z' }],
    },
  ] as never,
};

function next(from: Job, line: string, swap = false): Job {
  const role = (id: string): string => (swap ? ({ R1: 'R3', R3: 'R1' }[id] ?? id) : id);
  const parts = from.network.elements.map(({ id }) => ({ id, role: role(id) }));
  const made = newCircuit(from, { title: line, parts, line, date: '2026-11-30' });
  if (!made.ok) throw new Error(made.fault.message);
  return made.value;
}

test('each part from every circuit, both meters’ effects taken out; what was taken along counts once', () => {
  const circuits = [
    readCircuit(chain),
    readCircuit(next(chain, 'E1: R1 || R2 || R3')),
    readCircuit(next(chain, 'E1: R1 + (R2 || R3)')),
  ];
  const found = partResistances(circuits);
  expect(found.map(({ part, nominal }) => [part, nominal])).toEqual([
    ['R1', 470],
    ['R2', 680],
    ['R3', 1000],
  ]);
  const [first] = found;
  expect(first!.evidence.map(({ circuit, by }) => [circuit, by])).toEqual([
    [0, 'ohmmeter'],
    [0, 'voltage-and-current'],
    [1, 'voltage-and-current'],
    [2, 'voltage-and-current'],
  ]);
  for (const { nominal, evidence, areConsistent, mean } of found) {
    for (const one of evidence) expect(Math.abs(one.value - nominal)).toBeLessThanOrEqual(one.uncertainty);
    expect(areConsistent).toBe(true);
    const all = evidence.map(({ uncertainty }) => uncertainty);
    // One meter reads them all: its errors do not average out.
    expect(mean!.uncertainty).toBeGreaterThanOrEqual(Math.min(...all));
    expect(mean!.uncertainty).toBeLessThanOrEqual(Math.max(...all));
    expect(Math.abs(mean!.value - nominal)).toBeLessThanOrEqual(mean!.uncertainty);
  }
});

test('a resistance reading that was taken along is left out of the later circuit, everything else stays', () => {
  const circuits = [readCircuit(chain), readCircuit(next(chain, 'E1: R1 || R2 || R3'))];
  const idsOf = (jobs: readonly Job[]): string[][] => jobs.map(({ readings = [] }) => readings.map(({ id }) => id));
  const [first, second] = idsOf(circuits);
  expect([first, second!.includes('M1')]).toEqual([expect.arrayContaining(['M1']), true]);
  expect(idsOf(withoutRepeated(circuits))).toEqual([first, second!.filter((id) => id !== 'M1')]);
  expect(withoutRepeated([chain])[0]).toBe(chain);
});

test('one current reading serves every part of its chain; a reading through the part itself comes first', () => {
  const circuit = readCircuit(chain);
  const once: Job = { ...circuit, readings: circuit.readings!.filter(({ id }) => !['A-R2', 'A-R3'].includes(id)) };
  const used = (job: Job): (readonly string[])[] =>
    partResistances([job]).map(({ evidence }) => evidence.find(({ by }) => by === 'voltage-and-current')!.readings);
  expect(used(once)).toEqual([
    ['V-R1', 'A-R1'],
    ['V-R2', 'A-R1'],
    ['V-R3', 'A-R1'],
  ]);
  expect(used(circuit).map(([, current]) => current)).toEqual(['A-R1', 'A-R2', 'A-R3']);
  for (const { nominal, evidence } of partResistances([once]))
    for (const { value, uncertainty } of evidence) expect(Math.abs(value - nominal)).toBeLessThanOrEqual(uncertainty);
  const beside = readCircuit(next(chain, 'E1: R1 || R2 || R3'));
  const branch: Job = { ...beside, readings: beside.readings!.filter(({ id }) => id !== 'A-R2') };
  expect(partResistances([branch])[1]!.evidence).toEqual([]);
});

test('a part is known by its body, whatever its role', () => {
  const turned = readCircuit(next(chain, 'E1: R1 + R2 + R3', true));
  const found = partResistances([readCircuit(chain), turned]);
  expect(found.map(({ part, nominal }) => [part, nominal])).toEqual([
    ['R1', 470],
    ['R2', 680],
    ['R3', 1000],
  ]);
  expect(found[0]!.evidence.at(-1)).toMatchObject({ circuit: 1, readings: ['V-R3', 'A-R3'] });
  expect(found.every(({ areConsistent }) => areConsistent)).toBe(true);
});

test('a part that was exchanged between two circuits is not consistent', () => {
  const other: Job = { ...chain, network: read('E1 9V/0.5: R1 490 + R2 680 + R3 1000') };
  const second = readCircuit({ ...other, readings: [] });
  const believed: Job = { ...second, network: chain.network };
  const [first] = partResistances([readCircuit(chain), believed]);
  expect(first).toMatchObject({ part: 'R1', areConsistent: false });
});

test('without readings there is no evidence, and a circuit that cannot be solved says nothing', () => {
  const empty: Job = { ...chain, readings: [] };
  const short: Job = { ...chain, network: { elements: [{ id: 'E1', kind: 'source', from: 'A', to: 'A', emf: 9 }] } };
  const found = partResistances([empty, short]);
  expect(
    found.every(
      ({ evidence, mean, areConsistent }) => evidence.length === 0 && mean === null && areConsistent === null,
    ),
  ).toBe(true);
});

test('property: values of sound readings are within their U, whatever the parts are', () => {
  let tried = 0;
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 100, max: 5000 }), { minLength: 3, maxLength: 3 }), (ohms) => {
      const [a, b, c] = ohms;
      const job: Job = { ...chain, readings: [], network: read(`E1 9V/0.5: R1 ${a} + R2 ${b} + R3 ${c}`) };
      const circuits = [readCircuit(job), readCircuit(next(job, 'E1: R1 || R2 + R3'))];
      for (const { nominal, evidence } of partResistances(circuits))
        for (const { value, uncertainty } of evidence) {
          expect(Math.abs(value - nominal)).toBeLessThanOrEqual(uncertainty);
          tried += 1;
        }
    }),
    { numRuns: runs(40) },
  );
  expect(tried).toBeGreaterThan(exercised(100));
});
