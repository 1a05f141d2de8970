import { partLoads, partsNeeded, withinRatings } from './part-loads.ts';

test('in series the larger takes more, in parallel the smaller, and together they take it all', () => {
  const series = partLoads({ resistance: 1000, power: 1 }, { values: [250, 750], joined: 'series' });
  expect(series.map(({ power }) => power)).toEqual([0.25, 0.75]);
  // 1 W in 1 kΩ is 31.6 V, shared one to three.
  expect(series[0]!.voltage + series[1]!.voltage).toBeCloseTo(Math.sqrt(1000), 12);
  const beside = partLoads({ resistance: 187.5, power: 1 }, { values: [250, 750], joined: 'parallel' });
  expect(beside.map(({ power }) => power)).toEqual([0.75, 0.25].map((p) => expect.closeTo(p, 12)));
  expect(beside[0]!.voltage).toBeCloseTo(beside[1]!.voltage, 12);
});

test('half the power and the whole limiting voltage are allowed', () => {
  const at = (power: number, voltage: number) => [{ resistance: 1, power, voltage }];
  expect(withinRatings(at(0.125, 200), { powerRating: 0.25, limitingVoltage: 200 })).toBe(true);
  expect(withinRatings(at(0.126, 10), { powerRating: 0.25 })).toBe(false);
  expect(withinRatings(at(0.01, 201), { powerRating: 0.25, limitingVoltage: 200 })).toBe(false);
});

test('as many equal parts as power or voltage want, whichever wants more', () => {
  expect(partsNeeded({ resistance: 1000, power: 0.1 }, { powerRating: 0.25 })).toBe(1);
  expect(partsNeeded({ resistance: 1000, power: 0.6 }, { powerRating: 0.25 })).toBe(5);
  // 0.1 W in 10 MΩ is 1 kV.
  expect(partsNeeded({ resistance: 1e7, power: 0.1 }, { powerRating: 0.25, limitingVoltage: 350 })).toBe(3);
});
