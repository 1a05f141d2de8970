import { solveSetup, solveUnloaded } from '../../loading/index.ts';
import { read } from '../../test/read-line.ts';
import { paired, workedOut } from '../../test/meter-projects.ts';
import { placesInUse } from './in-use.ts';
import { instrumentOf } from './into-kit.ts';

test('before it is built it reads in a job what the set-up with the finished instrument reads', () => {
  const { piece, sides } = workedOut({ sides: paired([0.001, 0.1], [2.5, 10, 50]) });
  const instrument = instrumentOf(piece, sides);
  const network = read('E1 24V/1R8  R1 56k + (R2 39k || R3 15k + R4 27k)');
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  for (const quantity of ['dc-voltage', 'dc-current'] as const) {
    const places = placesInUse(unloaded.value, instrument, quantity);
    expect(places.length).toBeGreaterThan(3);
    expect(places[0]!.share).toBe(Math.max(...places.map(({ share }) => share)));
    for (const place of places) {
      const common = { id: 'M1', instrument: 'meter-project', range: place.range.id };
      const meter =
        quantity === 'dc-voltage'
          ? { ...common, quantity, red: place.across![0], black: place.across![1] }
          : {
              ...common,
              quantity,
              node: network.elements.find(({ id }) => id === place.inSeriesWith)!.from,
              ends: [`${place.inSeriesWith!}.from`],
            };
      const found = solveSetup(unloaded.value, [instrument], { id: 'S', meters: [meter] });
      if (!found.ok) throw new Error(found.fault.code);
      const indicated = Math.abs(found.value.meters.M1!.indicated!);
      expect(Math.abs(indicated - place.indicated)).toBeLessThanOrEqual(1e-11 * Math.abs(indicated) + 1e-15);
      expect(place.over).toBe(indicated > place.range.fullScale);
    }
  }
});

test('each place is read on the lowest range that holds it', () => {
  const { piece, sides } = workedOut({ sides: [{ target: 'voltmeter', scheme: 'string', ranges: [2.5, 10, 50] }] });
  const unloaded = solveUnloaded(read('E1 24V  R1 1k + R2 3k'));
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const places = placesInUse(unloaded.value, instrumentOf(piece, sides), 'dc-voltage');
  // 6 V, 18 V and the supply: in this meter of 10 kΩ/V next to 1 kΩ and 3 kΩ nothing is dragged across a range.
  const ranges = places.map(({ truth, range }) => [Math.round(truth), range.fullScale]);
  expect(ranges).toContainEqual([6, 10]);
  expect(ranges).toContainEqual([18, 50]);
  expect(placesInUse(unloaded.value, instrumentOf(piece, sides), 'dc-current')).toEqual([]);
});
