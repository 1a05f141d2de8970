import fc from 'fast-check';
import { nodesOf, parseEnd, referenceOf, type Element, type Network } from '../network/index.ts';
import { rangesOf, type Instrument } from '../instrument/index.ts';
import { agrees, solveExactly } from '../test/exact-solution.ts';
import { anyNetwork, resistance } from '../test/random-network.ts';
import { minus } from '../test/rational.ts';
import { solveSetup } from './solve-setup.ts';
import { solveUnloaded } from './unloaded.ts';
import type { Meter, Setup } from './setup.ts';
import { exercised, runs } from '../test/runs.ts';

/** A network with one or two meters somewhere in it, and the same network with the meters as plain parts. */
const metered = anyNetwork.chain((network) => {
  const nodes = nodesOf(network);
  const ends = network.elements.flatMap(({ id }) => [`${id}.from`, `${id}.to`]);
  const spot = fc.oneof(
    fc
      .record({ red: fc.constantFrom(...nodes), black: fc.constantFrom(...nodes), ohms: resistance })
      .map((m) => ({ quantity: 'dc-voltage' as const, ...m })),
    fc
      .record({ end: fc.constantFrom(...ends), ohms: fc.oneof(fc.constant(0), resistance), reversed: fc.boolean() })
      .map((m) => ({ quantity: 'dc-current' as const, ...m })),
  );
  return fc.record({
    network: fc.constant(network),
    spots: fc.uniqueArray(spot, {
      minLength: 1,
      maxLength: 2,
      selector: (s) => ('end' in s ? s.end : `${s.red}${s.black}`),
    }),
  });
});

test('what every meter indicates, and its error, agree with exact fractions', () => {
  let compared = 0;
  fc.assert(
    fc.property(metered, ({ network, spots }) => {
      const meters = spots.map((s, index): Meter => {
        const base = { id: `M${index}`, instrument: `I${index}`, range: 'only' };
        if (s.quantity === 'dc-voltage') return { ...base, quantity: s.quantity, red: s.red, black: s.black };
        return { ...base, quantity: s.quantity, node: nodeOf(network, s.end), ends: [s.end], reversed: s.reversed };
      });
      const instruments = spots.map((s, index): Instrument => ({
        id: `I${index}`,
        functions: [{ quantity: s.quantity, ranges: [{ id: 'only', fullScale: 1e12, resistance: s.ohms }] }],
      }));
      const setup: Setup = { id: 'S', meters };
      const unloaded = solveUnloaded(network);
      const without = solveExactly(network);
      expect(unloaded.ok).toBe(without !== null);
      if (!unloaded.ok || !without) return;
      const withMeters = solveExactly(asParts(network, meters, instruments));
      const solved = solveSetup(unloaded.value, instruments, setup);
      expect(solved.ok).toBe(withMeters !== null);
      if (!solved.ok || !withMeters) return;
      meters.forEach((meter, index) => {
        const reading = solved.value.meters[meter.id]!;
        const flip = meter.quantity === 'dc-current' && meter.reversed ? -1 : 1;
        const across = meter.quantity === 'dc-voltage';
        const indicated = across ? withMeters.voltage(meter.id) : withMeters.current(meter.id);
        const ideal = across ? voltageBetween(network, meter.red, meter.black) : idealCurrent(network, meter);
        if (reading.state === 'floating') return expect(reading.indicated).toBeNull();
        const scale = Math.max(
          1e-300,
          ...Object.values(solved.value.elements).map((of) => Math.abs((across ? of.voltage : of.current) ?? 0)),
        );
        const size = Math.max(scale, Math.abs(reading.indicated ?? 0), Math.abs(reading.true ?? 0));
        expect([reading, agrees(times(reading.indicated, flip), indicated, size)]).toEqual([reading, true]);
        expect([reading, agrees(times(reading.true, flip), ideal, size)]).toEqual([reading, true]);
        if (!indicated || !ideal) return;
        expect([reading, agrees(times(reading.error, flip), minus(indicated, ideal), size * 1e-9)]).toEqual([
          reading,
          true,
        ]);
        compared += 1;
        expect(reading.meterResistance).toBe(spots[index]!.ohms);
      });
    }),
    { numRuns: runs(500) },
  );
  expect(compared).toBeGreaterThan(exercised(100));
});

const times = (value: number | null, factor: number): number | null => (value === null ? null : value * factor);

function nodeOf(network: Network, end: string): string {
  const { element, end: side } = parseEnd(end)!;
  return network.elements.find((e) => e.id === element)![side];
}

/** The network with each meter as a resistor, or a link where it has no resistance. */
function asParts(network: Network, meters: readonly Meter[], instruments: readonly Instrument[]): Network {
  let elements: readonly Element[] = network.elements;
  meters.forEach((meter, index) => {
    const ohms = rangesOf(instruments[index]!, meter.quantity)[0]!.resistance;
    const of = ohms > 0 ? ({ kind: 'resistor', resistance: ohms } as const) : ({ kind: 'link' } as const);
    if (meter.quantity === 'dc-voltage') {
      elements = [...elements, { id: meter.id, from: meter.red, to: meter.black, ...of }];
      return;
    }
    const { element, end } = parseEnd(meter.ends[0]!)!;
    elements = [
      ...elements.map((e) => (e.id === element ? { ...e, [end]: `tie${index}` } : e)),
      { id: meter.id, from: meter.node, to: `tie${index}`, ...of },
    ];
  });
  return { ...network, reference: referenceOf(network)!, elements };
}

function voltageBetween(network: Network, red: string, black: string) {
  return solveExactly({ ...network, reference: black })!.potential(red);
}

/** Returns the indication of an ideal ammeter in the break: the network with a link in its place. */
function idealCurrent(network: Network, meter: Meter) {
  const ideal: Instrument = {
    id: meter.instrument,
    functions: [{ quantity: 'dc-current', ranges: [{ id: 'only', fullScale: 1, resistance: 0 }] }],
  };
  return solveExactly(asParts(network, [meter], [ideal]))!.current(meter.id);
}

test('an ideal meter changes nothing, wherever it is put', () => {
  const ideal = (quantity: 'dc-voltage' | 'dc-current', ohms: number): Instrument => ({
    id: 'I',
    functions: [{ quantity, ranges: [{ id: 'only', fullScale: 1e12, resistance: ohms }] }],
  });
  fc.assert(
    fc.property(metered, ({ network, spots: [spot] }) => {
      const unloaded = solveUnloaded(network);
      if (!unloaded.ok || !spot) return;
      const base = { id: 'M', instrument: 'I', range: 'only' };
      const across = spot.quantity === 'dc-voltage';
      const meter: Meter = across
        ? { ...base, quantity: spot.quantity, red: spot.red, black: spot.black }
        : { ...base, quantity: spot.quantity, node: nodeOf(network, spot.end), ends: [spot.end] };
      const solved = solveSetup(unloaded.value, [ideal(meter.quantity, across ? 1e290 : 0)], {
        id: 'S',
        meters: [meter],
      });
      if (!solved.ok) throw new Error(solved.fault.code);
      const reading = solved.value.meters.M!;
      // To the last digit: a value on the edge between two doubles may be rounded to either.
      if (reading.true === null) expect(reading.indicated).toBeNull();
      else expect(Math.abs(reading.indicated! - reading.true)).toBeLessThanOrEqual(4e-16 * Math.abs(reading.true));
      if (reading.true !== null) expect(Math.abs(reading.error!)).toBeLessThanOrEqual(1e-200);
      for (const { id } of network.elements) {
        const [before, after] = [unloaded.value.values.elements[id]!, solved.value.elements[id]!];
        if (before.voltage !== null) expect(after.voltage).toBeCloseTo(before.voltage, 9);
      }
    }),
    { numRuns: runs(300) },
  );
});
