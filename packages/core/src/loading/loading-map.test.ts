import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { nodesOf } from '../network/index.ts';
import { anyNetwork, resistance } from '../test/random-network.ts';
import { loadingMap, sharesByPart } from './loading-map.ts';
import { solveSetup } from './solve-setup.ts';
import { solveUnloaded } from './unloaded.ts';
import { read } from '../test/read-line.ts';
import { exercised, runs } from '../test/runs.ts';

const meterOf = (ohms: number): Instrument => ({
  id: 'm',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: 'r', fullScale: 1000, resistance: ohms }] },
    { quantity: 'dc-current', ranges: [{ id: 'r', fullScale: 1000, resistance: ohms }] },
  ],
});

test('every place of the map is what a set-up there reads, in networks of every kind', () => {
  let [voltages, currents] = [0, 0];
  fc.assert(
    fc.property(anyNetwork, resistance, (network, ohms) => {
      const solved = solveUnloaded(network);
      if (!solved.ok) return;
      const unloaded = solved.value;
      for (const point of loadingMap(unloaded, 'dc-voltage', ohms)) {
        const [red, black] = point.across!;
        const setup = solveSetup(unloaded, [meterOf(ohms)], {
          id: 'S',
          meters: [{ id: 'V', instrument: 'm', quantity: 'dc-voltage', range: 'r', red, black }],
        });
        if (!setup.ok) throw new Error(setup.fault.code);
        const reading = setup.value.meters.V!;
        expect(
          reading.sourceResistance === null ? 0 : Math.abs(point.sourceResistance! - reading.sourceResistance),
        ).toBeLessThanOrEqual(1e-9 * (reading.sourceResistance ?? 0));
        if (reading.relativeError === null) continue;
        voltages += 1;
        expect(Math.abs(point.share + reading.relativeError)).toBeLessThanOrEqual(1e-9 * point.share);
      }
      for (const point of loadingMap(unloaded, 'dc-current', ohms)) {
        const element = network.elements.find(({ id }) => id === point.inSeriesWith)!;
        const setup = solveSetup(unloaded, [meterOf(ohms)], {
          id: 'S',
          meters: [
            {
              id: 'A',
              instrument: 'm',
              quantity: 'dc-current',
              range: 'r',
              node: element.from,
              ends: [`${element.id}.from`],
            },
          ],
        });
        if (!setup.ok) continue;
        const { relativeError } = setup.value.meters.A!;
        if (relativeError === null) continue;
        currents += 1;
        expect(Math.abs(point.share + relativeError)).toBeLessThanOrEqual(1e-9 * point.share);
      }
    }),
    { numRuns: runs(250) },
  );
  expect(voltages).toBeGreaterThan(exercised(50));
  expect(currents).toBeGreaterThan(exercised(25));
});

test('the worst place comes first, red on the higher node', () => {
  const unloaded = solveUnloaded(read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)'));
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const map = loadingMap(unloaded.value, 'dc-voltage', 20_000);
  expect(map).toHaveLength(6);
  // Looking into C: 27 k beside 15 k and what B looks into without this branch.
  const b = 1 / (1 / 56_001.8 + 1 / 39_000);
  const c = 1 / (1 / 27_000 + 1 / (15_000 + b));
  const worst = Math.max(c, ...map.map((point) => point.sourceResistance!));
  expect(map[0]!.sourceResistance).toBe(worst);
  expect(map.find(({ across }) => across?.join() === 'C,0')!.sourceResistance).toBeCloseTo(c, 6);
  expect(map.every(({ truth }) => truth >= 0)).toBe(true);
  const shares = sharesByPart(unloaded.value.network, map);
  expect([...shares.keys()].sort()).toEqual(['E1', 'R1', 'R2', 'R3', 'R4']);
  expect(nodesOf(unloaded.value.network)).toHaveLength(4);
});

test('a grid of equal resistors has the resistances of its closed forms', () => {
  // Corner to corner of a square of four, and of two by two squares: 1 R and 3/2 R.
  const square = solveUnloaded(read('E1 1V @0; @A R1 1 @B R2 1 @0; @A R3 1 @C R4 1 @0'));
  if (!square.ok) throw new Error(square.fault.code);
  const at = (a: string, b: string) =>
    loadingMap(square.value, 'dc-voltage', 1).find(({ across }) => across!.includes(a) && across!.includes(b))!
      .sourceResistance;
  expect(at('B', 'C')).toBeCloseTo(1, 12);
});
