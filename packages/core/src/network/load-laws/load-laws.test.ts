import { curveOf, givenCurve, lawOf, readCurveWord, usualLoads, withoutCurve } from './index.ts';

const lamp = { ratedVoltage: 12, ratedCurrent: 0.3, exponent: 0.55 };
const usual = usualLoads.map(({ name, values }) => [name, curveOf(values)] as const);

it('lists a resistance, a filament lamp and a nearly constant current', () => {
  expect(usual.map(([name]) => name)).toEqual(['resistance', 'filament lamp', 'nearly constant current']);
});

describe.each(usual)('the law of a %s', (_, curve) => {
  const { current, voltage, slope, readWord, writeWord } = lawOf(curve);

  it('passes through zero and the rated point, and its two directions are inverse', () => {
    expect(current(curve.values, 0)).toBe(0);
    expect(current(curve.values, 1)).toBe(1);
    for (const share of [1e-6, 0.02, 0.3, 1, 1.2, 40])
      expect(current(curve.values, voltage(curve.values, share))).toBeCloseTo(share, 12);
  });

  it('has the slope of its differences', () => {
    for (const share of [0.1, 0.5, 1, 1.3]) {
      const step = 1e-6 * share;
      const difference = voltage(curve.values, share + step) - voltage(curve.values, share - step);
      expect(slope(curve.values, share) / (difference / (2 * step))).toBeCloseTo(1, 6);
    }
  });

  it('is read as it is written', () => {
    expect(readWord(writeWord(curve.values))).toEqual(curve.values);
    expect(readCurveWord(writeWord(curve.values))?.values).toEqual(curve.values);
  });
});

it('tells a load by its quantities', () => {
  expect(givenCurve(lamp)).toEqual({ law: 'power', values: { exponent: 0.55 } });
  expect(givenCurve({})).toBeNull();
  expect(withoutCurve(lamp)).toEqual({ ratedVoltage: 12, ratedCurrent: 0.3 });
});

it('gives the current of a 12 V, 300 mA lamp at 3 V: 0.3·0.25^0.55 = 140 mA', () => {
  const curve = curveOf(lamp);
  expect(0.3 * lawOf(curve).current(curve.values, 3 / 12)).toBeCloseTo(0.3 * Math.exp(0.55 * Math.log(0.25)), 12);
  expect(lawOf(curve).working(curve.values, { current: '300 mA', voltage: '12 V' }, '3 V')).toBe(
    '300 mA × (3 V / 12 V)^0.55',
  );
});
