import type { Instrument, Range } from '../instrument/index.ts';
import type { Element, Network } from '../network/index.ts';
import { solveSetup, type MeterReading } from './solve-setup.ts';
import { solveUnloaded } from './unloaded.ts';
import type { Meter } from './setup.ts';

const floatDivider: Network = {
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 1.8 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 56_000 },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 39_000 },
    { id: 'R3', kind: 'resistor', from: 'B', to: 'C', resistance: 15_000 },
    { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 27_000 },
  ],
};

const meterOf = (display: 'analogue' | 'digital', volts: Partial<Range>, amps: Partial<Range>): Instrument => ({
  id: 'm',
  display,
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: 'r', fullScale: 10, resistance: 20_000, ...volts }] },
    { quantity: 'dc-current', ranges: [{ id: 'r', fullScale: 0.5, resistance: 1, ...amps }] },
  ],
});

const volts = (red: string, black: string, id = 'V1'): Meter => ({
  id,
  instrument: 'm',
  quantity: 'dc-voltage',
  range: 'r',
  red,
  black,
});
const amps = (node: string, ends: string[], reversed = false, id = 'A1'): Meter => ({
  id,
  instrument: 'm',
  quantity: 'dc-current',
  range: 'r',
  node,
  ends,
  reversed,
});

function read(elements: readonly Element[], instrument: Instrument, ...meters: Meter[]): Record<string, MeterReading> {
  const unloaded = solveUnloaded({ elements });
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const solved = solveSetup(unloaded.value, [instrument], { id: 'S', meters });
  if (!solved.ok) throw new Error(solved.fault.code);
  return solved.value.meters;
}

const { elements } = floatDivider;
const old = meterOf('analogue', {}, {});

test('the old 2 kΩ/V meter reads two fifths low across the lower arm', () => {
  const { V1 } = read(elements, old, volts('B', '0'));
  // By hand: R_s = 56.0018 k ∥ 39 k ∥ 42 k, V = 24·(39 k ∥ 42 k)/(56.0018 k + 39 k ∥ 42 k).
  const below = 1 / (1 / 39_000 + 1 / 42_000);
  const rs = 1 / (1 / 56_001.8 + 1 / below);
  const truth = (24 * below) / (56_001.8 + below);
  expect(V1!.sourceResistance! / rs).toBeCloseTo(1, 14);
  expect(V1!.true! / truth).toBeCloseTo(1, 14);
  expect(V1!.relativeError! / (-rs / (rs + 20_000))).toBeCloseTo(1, 14);
  expect(V1!.indicated! / ((truth * 20_000) / (20_000 + rs))).toBeCloseTo(1, 14);
  expect(V1!.relativeError).toBeLessThan(-0.4);
});

test('two meters together: the published example', () => {
  const kit: Instrument = {
    id: 'm',
    display: 'analogue',
    functions: [
      { quantity: 'dc-voltage', ranges: [{ id: 'r', fullScale: 10, resistance: 200_000, divisions: 50 }] },
      { quantity: 'dc-current', ranges: [{ id: 'r', fullScale: 0.0005, resistance: 500, divisions: 50, fuse: 0.5 }] },
    ],
  };
  const { V1, A1 } = read(elements, kit, volts('B', '0'), amps('B', ['R3.from']));
  expect(V1).toMatchObject({ meterResistance: 200_000, display: '5.96', unit: 'V', state: 'ok' });
  expect(A1).toMatchObject({ meterResistance: 500, display: '140', unit: 'µA', state: 'ok' });
  const published = {
    V1: [6.3672, 5.95, -0.41724, -0.065529, 14919],
    A1: [1.516e-4, 1.3999e-4, -1.1601e-5, -0.076523, 62620],
  };
  for (const [meter, figures] of [
    [V1!, published.V1],
    [A1!, published.A1],
  ] as const)
    [meter.true, meter.indicated, meter.error, meter.relativeError, meter.sourceResistance].forEach((value, i) =>
      expect(Math.abs(value! / figures[i]! - 1)).toBeLessThan(1e-4),
    );
});

test('a 10 GΩ meter across 1 Ω keeps nine digits of its error', () => {
  const { V1 } = read(
    [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 1, internalResistance: 1 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 1e9 },
    ],
    meterOf('digital', { resistance: 1e10 }, {}),
    volts('A', '0'),
  );
  const rs = 1 / (1 + 1e-9);
  expect(V1!.relativeError! / (-rs / (1e10 + rs))).toBeCloseTo(1, 12);
});

test('a meter of infinite or no resistance changes nothing', () => {
  const ideal = meterOf('digital', { resistance: 1e300 }, { resistance: 0 });
  const { V1 } = read(elements, ideal, volts('B', '0'));
  expect(V1!.indicated).toBe(V1!.true);
  const { A1 } = read(elements, ideal, amps('A', ['R1.from']));
  expect(A1).toMatchObject({ error: 0, relativeError: 0, meterResistance: 0 });
  expect(A1!.indicated).toBe(A1!.true);
});

test('leads on one node read nothing, and the error has no percentage', () => {
  expect(read(elements, old, volts('B', 'B')).V1).toMatchObject({
    true: 0,
    indicated: 0,
    error: 0,
    relativeError: null,
    state: 'ok',
  });
});

test('swapped leads: a needle is driven backwards, a digital display shows the sign', () => {
  expect(read(elements, old, volts('0', 'B')).V1!.state).toBe('reversed');
  const digital = read(elements, meterOf('digital', { resistance: 1e7 }, {}), volts('0', 'B')).V1!;
  expect(digital.state).toBe('ok');
  expect(digital.indicated).toBeLessThan(0);
  expect(read(elements, old, amps('A', ['R1.from'], true)).A1!.state).toBe('reversed');
});

test('over range', () => {
  expect(read(elements, old, volts('A', '0')).V1).toMatchObject({ state: 'over-range', display: '10.00' });
  expect(read(elements, meterOf('digital', { resistance: 1e7 }, {}), volts('A', '0')).V1).toMatchObject({
    state: 'over-range',
    display: 'OL',
  });
});

test('leads that nothing joins float', () => {
  const apart: Element[] = [...elements, { id: 'R9', kind: 'resistor', from: 'P', to: 'Q', resistance: 100 }];
  expect(read(apart, old, volts('B', 'P')).V1).toMatchObject({
    state: 'floating',
    true: null,
    indicated: null,
    error: null,
    sourceResistance: null,
    display: null,
  });
  // A second voltmeter joins them: the first no longer floats, but its true value is still unknown.
  const { V1 } = read(apart, old, volts('B', 'P'), volts('0', 'Q', 'V2'));
  expect(V1!.state).not.toBe('floating');
  expect(V1!.true).toBeNull();
});

test('an ammeter in a dead branch reads nothing and does not float', () => {
  const dangling: Element[] = [...elements, { id: 'R9', kind: 'resistor', from: 'B', to: 'Q', resistance: 100 }];
  expect(read(dangling, old, amps('B', ['R9.from'])).A1).toMatchObject({
    indicated: 0,
    true: 0,
    state: 'ok',
    sourceResistance: null,
  });
});

test('an ammeter without resistance in a loop of links is undetermined', () => {
  const linked: Element[] = [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10, internalResistance: 1 },
    { id: 'W1', kind: 'link', from: 'A', to: 'B' },
    { id: 'W2', kind: 'link', from: 'A', to: 'B' },
    { id: 'R1', kind: 'resistor', from: 'B', to: '0', resistance: 9 },
  ];
  const ideal = meterOf('digital', {}, { resistance: 0, fullScale: 10 });
  expect(read(linked, ideal, amps('A', ['W1.from'])).A1).toMatchObject({
    state: 'undetermined',
    indicated: null,
    true: null,
  });
  // Both links lifted together: the whole current, although their shares are undetermined.
  expect(read(linked, ideal, amps('A', ['W1.from', 'W2.from'])).A1).toMatchObject({
    state: 'ok',
    indicated: 1,
    true: 1,
  });
});

test('a fuse that blows reads nothing and leaves its branch open for the others', () => {
  const supply: Element[] = [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 1 },
    { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 5 },
    { id: 'R2', kind: 'resistor', from: 'A', to: '0', resistance: 1000 },
  ];
  const fused = meterOf('digital', { resistance: 1e7, fullScale: 20 }, { resistance: 0.1, fuse: 0.5 });
  const { A1, V1 } = read(supply, fused, amps('A', ['R1.from']), volts('A', '0'));
  const both = 1 / (1 / 5 + 1 / 1000);
  const truth = (12 * both) / (1 + both) / 5;
  expect(A1).toMatchObject({ state: 'fuse-blown', indicated: 0, relativeError: -1, true: expect.closeTo(truth, 12) });
  // What is left: 12 V behind 1 Ω into 1000 Ω ∥ 10 MΩ.
  const load = 1 / (1 / 1000 + 1e-7);
  expect(V1!.indicated! / ((12 * load) / (1 + load))).toBeCloseTo(1, 14);
});

test('a fuse that takes the way of a current source is a fault of the job', () => {
  const loop = solveUnloaded({
    elements: [
      { id: 'J1', kind: 'current-source', from: 'A', to: '0', current: 1 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 10 },
    ],
  });
  const fused = meterOf('digital', {}, { fuse: 0.5 });
  const solved = loop.ok && solveSetup(loop.value, [fused], { id: 'S', meters: [amps('A', ['R1.from'])] });
  expect(solved).toEqual({ ok: false, fault: { code: 'current-source-open', where: ['J1'] } });
});

test('an ammeter in a current loop changes nothing but its volts', () => {
  const loop: Element[] = [
    { id: 'J1', kind: 'current-source', from: 'A', to: '0', current: 0.0128 },
    { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 268 },
  ];
  expect(read(loop, meterOf('digital', {}, { resistance: 50 }), amps('A', ['R1.from'])).A1).toMatchObject({
    true: 0.0128,
    indicated: 0.0128,
    error: 0,
    relativeError: 0,
    sourceResistance: null,
  });
});

test('resistance by voltmeter and ammeter: both ways of connecting, as theory has them', () => {
  const bench: Element[] = [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 6, internalResistance: 0.5 },
    { id: 'W1', kind: 'link', from: 'A', to: 'B' },
    { id: 'R1', kind: 'resistor', from: 'B', to: '0', resistance: 680 },
  ];
  const kit = meterOf('digital', { resistance: 20_000 }, { resistance: 10 });
  const ratio = (meters: Record<string, MeterReading>): number => meters.V1!.indicated! / meters.A1!.indicated!;
  const acrossPart = read(bench, kit, volts('B', '0'), amps('A', ['W1.from']));
  expect(ratio(acrossPart)).toBeCloseTo(1 / (1 / 680 + 1 / 20_000), 10);
  const acrossBoth = read(bench, kit, volts('A', '0'), amps('A', ['W1.from']));
  expect(ratio(acrossBoth)).toBeCloseTo(680 + 10, 10);
});
