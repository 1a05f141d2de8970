import type { Instrument } from '../../instrument/index.ts';
import type { Element } from '../../network/index.ts';
import { expectationOf, standardUncertainty, type Reading } from '../../readings/index.ts';
import { solveUnloaded } from '../../loading/index.ts';
import { runs } from '../../test/runs.ts';
import type { DiagnosedJob } from '../diagnosed-job.ts';
import { fitJobs, type Fit } from './fit.ts';
import { freeName } from './free-name.ts';

const instrument = (burden: number): Instrument => ({
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { id: 'v', fullScale: 20, resistance: 1e7, resolution: 0.001, accuracyOfReading: 0.0005, accuracyCounts: 2 },
      ],
    },
    {
      quantity: 'dc-current',
      ranges: [
        { id: 'a', fullScale: 2, resistance: burden, resolution: 1e-5, accuracyOfReading: 0.002, accuracyCounts: 3 },
      ],
    },
  ],
});

type Part = readonly [id: string, from: string, to: string, resistance: number];

/** The same three resistors in series, in parallel, and two in series beside the third; the cell is from A to 0. */
const circuits: readonly (readonly Part[])[] = [
  [
    ['R1', 'A', 'B', 47],
    ['R2', 'B', 'C', 68],
    ['R3', 'C', '0', 100],
  ],
  [
    ['R1', 'A', '0', 47],
    ['R2', 'A', '0', 68],
    ['R3', 'A', '0', 100],
  ],
  [
    ['R1', 'A', 'B', 47],
    ['R2', 'B', '0', 68],
    ['R3', 'A', '0', 100],
  ],
];

const elements = (parts: readonly Part[], inside: number): Element[] => [
  { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 9, internalResistance: inside },
  ...parts.map(([id, from, to, resistance]): Element => ({ id, kind: 'resistor', from, to, resistance })),
];

/** The current of every part and of the supply, and the voltage of the supply, not read yet. */
const places = (parts: readonly Part[]): Omit<Reading, 'observations'>[] =>
  [
    ...['E1', ...parts.map(([id]) => id)].map((id) => {
      const node = parts.find(([own]) => own === id)?.[1] ?? 'A';
      return { id: `I-${id}`, quantity: 'dc-current', instrument: 'm', range: 'a', node, ends: [`${id}.from`] };
    }),
    { id: 'V', quantity: 'dc-voltage', instrument: 'm', range: 'v', red: 'A', black: '0' },
  ] as never;

/** Standard normal numbers that are the same in every run (Box and Muller; Lehmer's generator). */
function normal(seed: number): () => number {
  let state = seed * 2 + 1;
  const next = (): number => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  return () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
}

/** A job that assumes 0.1 Ω in the ammeter and 0.2 Ω in the source, with readings that hidden values give. */
function jobOf(parts: readonly Part[], burden: number, inside: number, deviate: () => number): DiagnosedJob {
  const unloaded = solveUnloaded({ elements: elements(parts, inside) });
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const hidden = instrument(burden);
  const readings = places(parts).map((place) => {
    const { expected } = expectationOf(unloaded.value, [hidden], { ...place, observations: [] } as never);
    const u = standardUncertainty(place, hidden, expected!, 0);
    const shown = (expected! + u * deviate()).toFixed(7);
    return {
      ...place,
      observations: [{ shown, unit: place.quantity === 'dc-current' ? 'A' : 'V' }],
    } as unknown as Reading;
  });
  return { network: { elements: elements(parts, 0.2) }, instruments: [instrument(0.1)], readings };
}

const names = ['meter:m:dc-current', 'E1.internalResistance'];

function fitted(jobs: readonly DiagnosedJob[], free = names): Fit {
  const made = fitJobs(
    jobs,
    jobs.map((job) => free.flatMap((name) => freeName(name, job) ?? [])),
  );
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
}

test('several circuits together find the ammeter and the source within U in 95 %, never with a larger U than one alone', () => {
  const cases = runs(50);
  let [within, values, compared] = [0, 0, 0];
  for (let seed = 1; seed <= cases; seed += 1) {
    const deviate = normal(seed);
    const hidden = [0.5 + (seed % 7), 0.1 + (seed % 11) / 5] as const;
    const jobs = circuits.map((parts) => jobOf(parts, ...hidden, deviate));
    const together = fitted(jobs);
    const alone = jobs.map((job) => fitted([job]));
    expect(together.verdict).toBe('explains');
    names.forEach((name, k) => {
      const { value, uncertainty } = together.free[name]!;
      values += 1;
      if (Math.abs(value! - hidden[k]!) <= uncertainty!) within += 1;
      for (const { free } of alone) {
        const own = free[name]!.uncertainty;
        if (own === null) continue;
        compared += 1;
        // The weights are those at each fit's own solution, so they differ by a little.
        expect(uncertainty!).toBeLessThan(own * 1.001);
      }
    });
  }
  expect(values).toBe(2 * cases);
  expect(compared).toBeGreaterThan(5 * cases);
  // Two standard uncertainties: 95.4 % in the mean; so many cases may be three deviations below.
  expect(within).toBeGreaterThan(values * 0.954 - 3 * Math.sqrt(values * 0.954 * 0.046));
});

/** A second ammeter with a known resistance; both are read through the same leads. */
const reference: Instrument = {
  id: 'n',
  functions: [
    {
      quantity: 'dc-current',
      ranges: [
        { id: 'a', fullScale: 2, resistance: 0.05, resolution: 1e-5, accuracyOfReading: 0.002, accuracyCounts: 3 },
      ],
    },
  ],
};

/** R1 before R2 and R3 side by side. */
const combined: readonly Part[] = [
  ['R1', 'A', 'B', 47],
  ['R2', 'B', '0', 68],
  ['R3', 'B', '0', 100],
];

/** The same as `jobOf`, with each current read by both ammeters through `leads` that the job does not know of. */
function throughLeads(parts: readonly Part[], [burden, leads, inside]: Hidden, deviate: () => number): DiagnosedJob {
  const unloaded = solveUnloaded({ elements: elements(parts, inside) });
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const withLeads = (instrument: Instrument, resistance: number): Instrument => ({
    ...instrument,
    functions: instrument.functions!.map((one) =>
      one.quantity === 'dc-current'
        ? { ...one, ranges: one.ranges.map((range) => ({ ...range, resistance: resistance + leads })) }
        : one,
    ),
  });
  const hidden = [withLeads(instrument(0), burden), withLeads(reference, 0.05)];
  const readings = places(parts)
    .flatMap((place) =>
      place.quantity === 'dc-current' ? [place, { ...place, id: `${place.id}-n`, instrument: 'n' }] : [place],
    )
    .map((place) => {
      const { expected } = expectationOf(unloaded.value, hidden, { ...place, observations: [] } as never);
      const used = hidden.find(({ id }) => id === place.instrument)!;
      const shown = (expected! + standardUncertainty(place, used, expected!, 0) * deviate()).toFixed(7);
      const unit = place.quantity === 'dc-current' ? 'A' : 'V';
      return { ...place, observations: [{ shown, unit }] } as unknown as Reading;
    });
  return { network: { elements: elements(parts, 0.2) }, instruments: [instrument(0.1), reference], readings };
}

/** Ω in the ammeter, in the leads and in the source. */
type Hidden = readonly [burden: number, leads: number, inside: number];

test('burden, leads and source of two to four circuits are each found within U in 95 %, with a U below that of any circuit alone', () => {
  const cases = runs(60);
  const sought = ['meter:m:dc-current', 'leads', 'E1.internalResistance'];
  const sets = [...circuits, combined];
  const within = [0, 0, 0];
  let compared = 0;
  for (let seed = 1; seed <= cases; seed += 1) {
    const deviate = normal(1000 + seed);
    const hidden: Hidden = [0.5 + (seed % 7), 0.1 + (seed % 5) / 4, 0.1 + (seed % 11) / 5];
    const jobs = sets.slice(0, 2 + (seed % 3)).map((parts) => throughLeads(parts, hidden, deviate));
    const together = fitted(jobs, sought);
    const alone = jobs.map((job) => fitted([job], sought));
    sought.forEach((name, k) => {
      const { value, uncertainty } = together.free[name]!;
      if (Math.abs(value! - hidden[k]!) <= uncertainty!) within[k]! += 1;
      for (const { free } of alone) {
        const own = free[name]!.uncertainty;
        if (own === null) continue;
        compared += 1;
        expect(uncertainty!).toBeLessThan(own * 1.001);
      }
    });
  }
  expect(compared).toBeGreaterThan(5 * cases);
  const least = cases * 0.954 - 3 * Math.sqrt(cases * 0.954 * 0.046);
  for (const found of within) expect(found).toBeGreaterThan(least);
});

test('a reading whose id is in several jobs is named with the number of its job', () => {
  const jobs = circuits.slice(0, 2).map((parts) => jobOf(parts, 2, 0.5, () => 0));
  const [first, second] = jobs;
  const renamed = {
    ...second!,
    readings: second!.readings!.map((one) => (one.id === 'V' ? { ...one, id: 'W' } : one)),
  };
  expect(Object.keys(fitted([first!, renamed]).residuals)).toEqual([
    '1:I-E1',
    '1:I-R1',
    '1:I-R2',
    '1:I-R3',
    'V',
    '2:I-E1',
    '2:I-R1',
    '2:I-R2',
    '2:I-R3',
    'W',
  ]);
});

test('a name that one of the jobs does not have is fitted from the others', () => {
  const jobs = circuits.slice(0, 2).map((parts) => jobOf(parts, 2, 0.5, () => 0));
  const without = {
    ...jobs[1]!,
    instruments: [{ ...instrument(2), id: 'n' }],
    readings: jobs[1]!.readings!.map((one) => ({ ...one, instrument: 'n' })),
  };
  expect(fitted([jobs[0]!, without]).free['meter:m:dc-current']!.value).toBeCloseTo(2, 2);
});

test('the rated current and the exponent of a lamp follow from its readings', () => {
  const withLamp = (ratedCurrent: number, exponent: number): DiagnosedJob['network'] => ({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12 },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 20 },
      { id: 'L1', kind: 'load', from: 'B', to: '0', ratedVoltage: 12, ratedCurrent, exponent },
    ],
  });
  const unloaded = solveUnloaded(withLamp(0.3, 0.55));
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const place = { id: 'M1', quantity: 'dc-voltage', instrument: 'm', range: 'v', red: 'B', black: '0' } as const;
  const { expected } = expectationOf(unloaded.value, [instrument(0.1)], { ...place, observations: [] });
  const readings: Reading[] = [{ ...place, observations: [{ shown: expected!.toFixed(9), unit: 'V' }] }];
  const jobWith = (ratedCurrent: number, exponent: number): DiagnosedJob => ({
    network: withLamp(ratedCurrent, exponent),
    instruments: [instrument(0.1)],
    readings,
  });
  expect(fitted([jobWith(0.2, 0.55)], ['L1.ratedCurrent']).free['L1.ratedCurrent']!.value).toBeCloseTo(0.3, 6);
  expect(fitted([jobWith(0.3, 1)], ['L1.exponent']).free['L1.exponent']!.value).toBeCloseTo(0.55, 6);
  expect(freeName('L1.polarised', jobWith(0.3, 1))).toBeNull();
});
