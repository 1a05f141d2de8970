import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { endsAt, type Network } from '../network/index.ts';
import { read } from '../test/read-line.ts';
import { connectedTheOtherWay, resistancesFromSetup } from './resistance-found.ts';
import type { Meter, Setup } from './setup.ts';
import { solveSetup } from './solve-setup.ts';
import { solveUnloaded } from './unloaded.ts';
import { exercised, runs } from '../test/runs.ts';

const meter = (volts: number, amps: number): Instrument => ({
  id: 'm',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: 'v', fullScale: 1e3, resistance: volts }] },
    { quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 1e3, resistance: amps }] },
  ],
});

const found = (network: Network, instrument: Instrument, meters: readonly Meter[]) =>
  measured(network, instrument, meters).found;

function measured(network: Network, instrument: Instrument, meters: readonly Meter[]) {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const setup: Setup = { id: 'S', meters };
  const solved = solveSetup(unloaded.value, [instrument], setup);
  if (!solved.ok) throw new Error(solved.fault.code);
  return { setup, values: solved.value, found: resistancesFromSetup(network, setup, solved.value) };
}

const volts = (red: string, black: string): Meter => ({
  id: 'V1',
  instrument: 'm',
  quantity: 'dc-voltage',
  range: 'v',
  red,
  black,
});
const amps = (node: string, ends: readonly string[]): Meter => ({
  id: 'A1',
  instrument: 'm',
  quantity: 'dc-current',
  range: 'a',
  node,
  ends,
});

test('an ammeter that lifts the part off the voltmeter’s node: the voltmeter is across both', () => {
  const network = read('E1 24V/2.2: R1 33k + R2 47k');
  const made = found(network, meter(200_000, 500), [volts('A', 'B'), amps('A', ['R1.from'])]);
  expect(made.map(({ part }) => part)).toEqual(['R1']);
  expect(made[0]).toMatchObject({ connection: 'across-both' });
  expect(made[0]!.apparent).toBeCloseTo(33_500, 6);
  expect(made[0]!.corrected).toBeCloseTo(33_000, 6);
  expect(made[0]!.errors['across-part']).toBeCloseTo(-33 / 233, 9);
  expect(made[0]!.errors['across-both']).toBeCloseTo(500 / 33_000, 9);
});

test('meters at different parts measure none', () => {
  const network = read('E1 24V/2.2: R1 33k + (R2 47k || R3 10k)');
  expect(found(network, meter(200_000, 500), [volts('A', 'B'), amps('B', ['R3.from'])])).toEqual([]);
});

test('an ammeter is not moved onto an end that another one has lifted', () => {
  const network = read('E1 24V/2.2: R1 33k + R2 47k');
  const made = measured(network, meter(200_000, 500), [
    volts('A', 'B'),
    amps('A', ['R1.from']),
    { ...amps('A', ['E1.from']), id: 'A2' },
  ]);
  expect(connectedTheOtherWay(made.found[0]!, network, made.setup, made.values)).toBeNull();
});

test('property: any part, either end, either connection, both polarities: the corrected value is the part’s, and so it is the other way', () => {
  const networks = [
    'E1 24V/2.2: R1 33k + R2 47k + R3 1k',
    'E1 9V/0.5: R1 82 + R2 150 + R3 27',
    'E1 5V: R1 1M + R2 2.2M',
  ].map((line) => read(line));
  let tried = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...networks),
      fc.constantFrom('R1', 'R2', 'R3'),
      fc.constantFrom('from' as const, 'to' as const),
      fc.boolean(),
      fc.boolean(),
      fc.boolean(),
      fc.double({ min: 3, max: 8, noNaN: true }),
      fc.double({ min: -2, max: 3, noNaN: true }),
      (network, id, end, ownEnd, swapped, ammeterFirst, voltDecade, ampDecade) => {
        const part = network.elements.find((one) => one.id === id);
        if (part?.kind !== 'resistor') return;
        const node = part[end];
        // At a node of a chain the part's own end is lifted, or all the others: the ammeter is then outside the voltmeter.
        const own = `${id}.${end}`;
        const ends = ownEnd ? [own] : endsAt(network, node).filter((one) => one !== own);
        const placed = [swapped ? volts(part.to, part.from) : volts(part.from, part.to), amps(node, ends)];
        const instrument = meter(10 ** voltDecade, 10 ** ampDecade);
        const made = measured(network, instrument, ammeterFirst ? placed.reverse() : placed);
        const one = made.found.find((each) => each.part === id);
        expect(one).toMatchObject({ connection: ownEnd ? 'across-both' : 'across-part' });
        expect(one!.corrected! / part.resistance).toBeCloseTo(1, 6);
        const moved = connectedTheOtherWay(one!, network, made.setup, made.values)!;
        const turned = measured(network, instrument, [placed.find((each) => each.id === 'V1')!, moved]);
        const other = turned.found.find((each) => each.part === id);
        expect(other).toMatchObject({ connection: ownEnd ? 'across-part' : 'across-both' });
        expect(other!.corrected! / part.resistance).toBeCloseTo(1, 6);
        expect(Math.sign(turned.values.meters.A1!.indicated!)).toBe(Math.sign(made.values.meters.A1!.indicated!));
        tried += 1;
      },
    ),
    { numRuns: runs(200) },
  );
  expect(tried).toBeGreaterThan(exercised(100));
});
