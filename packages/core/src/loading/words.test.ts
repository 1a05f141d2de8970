import type { Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import { networkCautions, setupCautions } from './cautions.ts';
import { explainReading, stateSentence } from './explain-reading.ts';
import { changeInstrument, newMeter, nextSetupId, swapLeads, toggleEnd } from './setup-edits.ts';
import { setupFaults } from './setup-faults.ts';
import { solveSetup, type MeterReading } from './solve-setup.ts';
import { solveUnloaded } from './unloaded.ts';
import type { AmmeterPlacement, Setup, VoltmeterPlacement } from './setup.ts';

const network: Network = {
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 0.01, currentLimit: 1 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 4, powerRating: 0.25 },
    { id: 'L1', kind: 'load', from: 'B', to: '0', ratedVoltage: 6, ratedCurrent: 0.5 },
  ],
};

const kit: Instrument[] = [
  {
    id: 'm',
    name: 'Multimeter',
    display: 'analogue',
    functions: [
      {
        quantity: 'dc-voltage',
        ranges: [
          { id: '2.5 V', fullScale: 2.5, resistance: 5000 },
          { id: '10 V', fullScale: 10, resistance: 20_000 },
        ],
      },
      { quantity: 'dc-current', ranges: [{ id: '1 A', fullScale: 1, resistance: 0.25, fuse: 0.5 }] },
    ],
  },
  { id: 'v', functions: [{ quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 1e7 }] }] },
];

const volts: VoltmeterPlacement = {
  id: 'V1',
  instrument: 'm',
  quantity: 'dc-voltage',
  range: '10 V',
  red: 'B',
  black: '0',
};
const amps: AmmeterPlacement = {
  id: 'A1',
  instrument: 'm',
  quantity: 'dc-current',
  range: '1 A',
  node: 'A',
  ends: ['R1.from'],
};

const plain = (text: string | null): string => (text ?? '').replace(/\u00a0/g, ' ');

const reading: MeterReading = {
  true: 6.367,
  indicated: 3.647,
  error: -2.72,
  relativeError: -0.427,
  meterResistance: 20_000,
  sourceResistance: 14_920,
  display: '3.64',
  unit: 'V',
  state: 'ok',
};

test('the formula stands with its numbers', () => {
  const working = explainReading(volts, reading);
  expect(plain(working.formula)).toBe('6.368 V × 20 kΩ / (20 kΩ + 14.92 kΩ)');
  expect(plain(working.result)).toBe('3.647 V');
  expect(plain(working.sentence)).toBe(
    'Source resistance 14.92 kΩ, input resistance 20 kΩ. The other meters change the true 6.367 V to 6.368 V.',
  );
});

test('in series the formula is turned about', () => {
  const working = explainReading(amps, {
    ...reading,
    true: 2,
    indicated: 1.96,
    meterResistance: 1,
    sourceResistance: 49,
  });
  expect(plain(working.formula)).toBe('2.000 A × 49 Ω / (49 Ω + 1 Ω)');
});

test('where there is nothing to divide, a sentence says why', () => {
  expect(explainReading(amps, { ...reading, sourceResistance: null }).sentence).toMatch(/current source/);
  expect(explainReading(amps, { ...reading, sourceResistance: null, indicated: 0 }).sentence).toMatch(/Nothing drives/);
  expect(explainReading(volts, { ...reading, sourceResistance: 0 }).sentence).toMatch(/source resistance is 0/);
  expect(explainReading(amps, { ...reading, meterResistance: 0 }).sentence).toMatch(/no insertion error/);
});

test.each([
  ['over-range', /higher range/],
  ['reversed', /Swap the leads/],
  ['fuse-blown', /own type and rating/],
  ['floating', /Nothing joins/],
  ['undetermined', /loop of links/],
  ['ok', /^$/],
] as const)('the state %s says what to do', (state, words) => {
  expect(stateSentence({ ...reading, state })).toMatch(words);
});

test('limits passed raise cautions that name the part and the remedy', () => {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error('unsolved');
  const cautions = networkCautions(network, unloaded.value.values);
  // 12 V into 16.01 Ω: 0.75 A, 2.25 W in R1, 9 V on the 6 V lamp.
  expect(cautions.map(({ about, kind }) => `${about} ${kind}`)).toEqual(['R1 hazard', 'L1 hazard']);
  expect(plain(cautions[0]!.message)).toMatch(/2\.25 W.*rated for 250 mW.*fit a larger one/);
});

test('a supply beyond its limit and a current source beyond its compliance are named', () => {
  const hard: Network = {
    elements: [
      { ...network.elements[0]!, currentLimit: 0.5 } as Network['elements'][number],
      network.elements[1]!,
      network.elements[2]!,
      { id: 'J1', kind: 'current-source', from: 'C', to: '0', current: 0.0128, compliance: 22 },
      { id: 'R9', kind: 'resistor', from: 'C', to: '0', resistance: 1725 },
    ],
  };
  const unloaded = solveUnloaded(hard);
  const cautions = unloaded.ok ? networkCautions(hard, unloaded.value.values) : [];
  expect(cautions.map((c) => c.about)).toEqual(['E1', 'R1', 'L1', 'J1']);
  expect(plain(cautions[3]!.message)).toMatch(/needs 22\.08 V.*ends at 22 V/);
});

test('above 60 V the circuit itself is a hazard', () => {
  const high: Network = {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 110 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 1e6 },
    ],
  };
  const unloaded = solveUnloaded(high);
  const cautions = unloaded.ok ? networkCautions(high, unloaded.value.values) : [];
  expect(cautions[0]).toMatchObject({ kind: 'hazard', message: expect.stringMatching(/can kill.*licensed practice/) });
});

test('a blown fuse and a near short are cautions of the meter', () => {
  const setup: Setup = { id: 'S', meters: [amps] };
  const unloaded = solveUnloaded(network);
  const solved = unloaded.ok && solveSetup(unloaded.value, kit, setup);
  if (!solved || !solved.ok) throw new Error('unsolved');
  expect(setupCautions(network, kit, setup, solved.value)[0]).toMatchObject({
    about: 'A1',
    kind: 'hazard',
    message: expect.stringMatching(/fuse/),
  });

  const shorted: Network = {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 0.02 },
      { id: 'W1', kind: 'link', from: 'A', to: 'B' },
      { id: 'R1', kind: 'resistor', from: 'B', to: '0', resistance: 0.1 },
    ],
  };
  const hard: Setup = { id: 'S', meters: [{ ...amps, instrument: 'hard', range: '10 A', ends: ['W1.from'] }] };
  const unfused: Instrument[] = [
    {
      id: 'hard',
      functions: [{ quantity: 'dc-current', ranges: [{ id: '10 A', fullScale: 200, resistance: 0.025 }] }],
    },
  ];
  const base = solveUnloaded(shorted);
  const near = base.ok && solveSetup(base.value, unfused, hard);
  if (!near || !near.ok) throw new Error('unsolved');
  expect(setupCautions(shorted, unfused, hard, near.value)[0]!.message).toMatch(
    /near short; never put one across a supply/,
  );
});

test('faults of a set-up name the meter and what is not there', () => {
  const setup: Setup = {
    id: 'S 1',
    meters: [
      { ...volts, red: 'Z' },
      { ...volts, instrument: 'none' },
      { ...volts, id: 'V2', range: '99 V' },
      { ...amps, ends: ['R1.to'] },
      { ...amps, id: 'A2', node: 'Z' },
      { ...amps, id: 'A3', ends: [] },
      { ...amps, id: 'A4' },
      { ...amps, id: 'A5' },
    ],
  };
  expect(setupFaults(network, kit, setup).map(({ code, where }) => `${code} ${where.join(' ')}`)).toEqual([
    'invalid-value S 1',
    'duplicate-id V1',
    'unknown-node V1',
    'unknown-instrument V1',
    'unknown-instrument V2',
    'unknown-node A1',
    'unknown-node A2',
    'invalid-value A3',
    'invalid-value A2 A4 A5',
  ]);
  expect(setupFaults(network, kit, { id: 'S-1', meters: [volts, amps] })).toEqual([]);
});

test('a new meter starts on its highest range, where it can be put', () => {
  const empty: Setup = { id: 'S-1', meters: [] };
  expect(newMeter(network, empty, kit[0]!, 'dc-voltage')).toEqual({ ...volts, range: '10 V' });
  expect(newMeter(network, empty, kit[0]!, 'dc-current')).toMatchObject({ id: 'A1', node: 'A', ends: ['E1.from'] });
  expect(newMeter(network, empty, kit[1]!, 'dc-current')).toBeNull();
  expect(nextSetupId([{ id: 'S-1', meters: [] }])).toBe('S-2');
});

test('another instrument keeps the range of the same name', () => {
  expect(changeInstrument({ ...volts, range: '10 V' }, kit[1]!)).toMatchObject({ instrument: 'v', range: '10 V' });
  expect(changeInstrument({ ...volts, range: '2.5 V' }, kit[1]!)).toMatchObject({ instrument: 'v', range: '10 V' });
});

test('lifting an end and putting it back undo each other, and the last one stays lifted', () => {
  const two = toggleEnd(amps, 'A', 'E1.from');
  expect(two).toMatchObject({ ends: ['R1.from', 'E1.from'] });
  expect(toggleEnd(two, 'A', 'E1.from')).toEqual(amps);
  expect(toggleEnd(amps, 'A', 'R1.from')).toBe(amps);
  expect(toggleEnd(amps, 'B', 'R1.to')).toMatchObject({ node: 'B', ends: ['R1.to'] });
});

test('swapping the leads twice is as before', () => {
  expect(swapLeads(volts)).toMatchObject({ red: '0', black: 'B' });
  expect(swapLeads(swapLeads(volts))).toEqual(volts);
  expect(swapLeads(swapLeads(amps))).toEqual({ ...amps, reversed: false });
});
