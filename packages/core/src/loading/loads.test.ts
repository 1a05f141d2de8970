import type { Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import { reduceNet, resistanceNet, sourcesOf, superpose } from '../reduction/index.ts';
import { sourceViews } from '../solver/index.ts';
import { read } from '../test/read-line.ts';
import { networkCautions } from './cautions.ts';
import { loadingMap } from './loading-map.ts';
import { measurementPointOf, shareTaken } from './measurement-point.ts';
import { ohmmeterAt } from './ohmmeter.ts';
import { rangeTable } from './range-table.ts';
import type { Setup } from './setup.ts';
import { solveSetup } from './solve-setup.ts';
import { isLinear, solveUnloaded } from './unloaded.ts';

const meter: Instrument = {
  id: 'old',
  display: 'analogue',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [10, 50].map((fullScale) => ({
        id: `${fullScale} V`,
        fullScale,
        resistance: 2000 * fullScale,
        accuracyOfRange: 0.02,
        divisions: 50,
      })),
    },
    {
      quantity: 'dc-current',
      ranges: [{ id: '500 mA', fullScale: 0.5, resistance: 0.8, accuracyOfRange: 0.02, divisions: 50 }],
    },
  ],
};
const panel = read('E1 24V/2: R1 1k + (R2 22k || L1 12V 0.02A ^0.3) + (L2 12V 0.3A ^0.55 || R3 100)');
const solved = (network: Network) => {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  return unloaded.value;
};
const across = (range: string): Setup => ({
  id: 'S',
  meters: [{ id: 'V1', instrument: 'old', quantity: 'dc-voltage', range, red: 'B', black: 'C' }],
});
const pointAt = (setup: Setup) => {
  const point = measurementPointOf(solved(panel), [meter], setup, 'V1');
  if (!point.ok) throw new Error(point.fault.code);
  return point.value;
};

test('what each range indicates is the whole network solved with it', () => {
  const options = rangeTable(pointAt(across('10 V')), 'dc-voltage', [meter]);
  expect(options).toHaveLength(2);
  for (const { range, indicated, loading, relativeLoading } of options) {
    const values = solveSetup(solved(panel), [meter], across(range.id));
    if (!values.ok) throw new Error(values.fault.code);
    const of = values.value.meters.V1!;
    expect(indicated / of.indicated!).toBeCloseTo(1, 9);
    expect(loading! / of.error!).toBeCloseTo(1, 6);
    expect(relativeLoading! / of.relativeError!).toBeCloseTo(1, 6);
  }
});

test('a reading is corrected to what is true, the load’s law and all', () => {
  const point = pointAt(across('10 V'));
  const { indicated } = (() => {
    const values = solveSetup(solved(panel), [meter], across('10 V'));
    if (!values.ok) throw new Error(values.fault.code);
    return values.value.meters.V1!;
  })();
  const corrected = point.correctionOn({ resistance: 20_000 })!;
  expect((indicated! * corrected.factor) / point.truth!).toBeCloseTo(1, 9);
  // By the tangent alone it would not be: the load’s resistance goes along with its current.
  const straight = indicated! * (1 + point.sourceResistance! / 20_000);
  expect(Math.abs(straight / point.truth! - 1)).toBeGreaterThan(1e-4);
});

test('for a small meter current the tangent says the same', () => {
  const point = pointAt(across('10 V'));
  const taken = shareTaken(point, 1e9, 'dc-voltage')!;
  expect(taken / (point.sourceResistance! / 1e9)).toBeCloseTo(1, 4);
  const [place] = loadingMap(solved(panel), 'dc-voltage', 1e9).filter(({ across: nodes }) => nodes!.join() === 'B,C');
  expect(place!.share / taken).toBeCloseTo(1, 4);
});

test('in the loading map each place is what a set-up with the meter there shows', () => {
  const places = loadingMap(solved(panel), 'dc-voltage', 20_000);
  expect(places.length).toBeGreaterThan(4);
  for (const { across: [red, black] = ['', ''], indicated, truth } of places.map((p) => ({
    ...p,
    across: p.across!,
  }))) {
    const values = solveSetup(solved(panel), [meter], {
      id: 'S',
      meters: [{ id: 'V1', instrument: 'old', quantity: 'dc-voltage', range: '10 V', red, black }],
    });
    if (!values.ok) throw new Error(values.fault.code);
    expect(indicated).toBeCloseTo(values.value.meters.V1!.indicated!, 10);
    expect(truth).toBeCloseTo(values.value.meters.V1!.true!, 10);
  }
});

test('an ohmmeter finds in a lamp what its law makes of the test current', () => {
  const range = { id: '200 Ω', fullScale: 199.9, testCurrent: 1e-3 };
  const ohms = ohmmeterAt(solved(panel), 'L2', range, 0)!;
  expect(ohms.isolated).toBeCloseTo((12 * (1e-3 / 0.3) ** (1 / 0.55)) / 1e-3, 9);
  expect(ohms.inCircuit!).toBeLessThan(ohms.isolated);
  expect(ohms.live! - ohms.inCircuit!).toBeGreaterThan(1);
});

test('the tangents reduce to what the source sees, and their contributions add up', () => {
  const unloaded = solved(panel);
  expect(isLinear(unloaded)).toBe(false);
  const [source] = sourcesOf(panel);
  const { equivalent } = reduceNet(resistanceNet(panel, source!, unloaded.tangent));
  const views = sourceViews(panel);
  expect(equivalent! / (views.ok ? views.value[0]!.equivalent! : NaN)).toBeCloseTo(1, 9);
  const parts = superpose(panel, unloaded.tangent);
  if (!parts.ok) throw new Error(parts.fault.code);
  expect(parts.value.map((part) => part.source)).toEqual(['E1', 'L1', 'L2']);
  for (const { id } of panel.elements) {
    const sum = parts.value.reduce((total, { values }) => total + values.elements[id]!.current!, 0);
    expect(sum).toBeCloseTo(unloaded.values.elements[id]!.current!, 12);
  }
});

test('a polarised load that stands the wrong way round raises a caution', () => {
  const reversed: Network = {
    elements: panel.elements.map((part) =>
      part.id === 'L1' ? { ...part, from: part.to, to: part.from, polarised: true } : part,
    ),
  };
  const { values } = solved(reversed);
  expect(values.elements.L1!.current).toBe(0);
  const cautions = networkCautions(reversed, values);
  expect(cautions.find(({ about }) => about === 'L1')!.message).toMatch(/wrong way round: it carries nothing/);
});
