import { newJob } from '../job/index.ts';
import type { Instrument } from '../instrument/index.ts';
import type { Design } from '../workshop/index.ts';
import { read } from '../test/read-line.ts';
import { markAnswer } from './mark.ts';
import type { Ask, AskedFor, Problem } from './problems/problem.ts';
import type { Mistake } from './mistakes/mistake.ts';

const needle: Instrument = {
  id: 'needle',
  display: 'analogue',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { id: '10 V', fullScale: 10, resistance: 20_000, accuracyOfRange: 0.03, divisions: 50 },
        { id: '50 V', fullScale: 50, resistance: 100_000, accuracyOfRange: 0.03, divisions: 50 },
      ],
    },
    {
      quantity: 'dc-current',
      ranges: [
        { id: '1 mA', fullScale: 1e-3, resistance: 1000 },
        { id: '5 mA', fullScale: 5e-3, resistance: 200 },
      ],
    },
  ],
};

/** 24 V on 56 kΩ above 39 kΩ, V1 across the lower, or A1 in line with the upper. */
const job = {
  ...newJob('Float-level divider SL-014'),
  network: read('E1 24V: R1 56k + R2 39k'),
  instruments: [needle],
  setups: [
    {
      id: 'S-1',
      meters: [{ id: 'V1', instrument: 'needle', quantity: 'dc-voltage', range: '10 V', red: 'B', black: '0' }],
    },
    {
      id: 'S-2',
      meters: [{ id: 'A1', instrument: 'needle', quantity: 'dc-current', range: '1 mA', node: 'A', ends: ['R1.from'] }],
    },
  ],
} as const;

const shared = { format: 'usual-drag/problem', version: 1, kind: 'voltmeter', level: 1, seed: 0, text: '' } as const;
const v1 = { setup: 'S-1', meter: 'V1' } as const;
const [E, R1, R2, RM] = [24, 56_000, 39_000, 20_000] as const;
const truth = (E * R2) / (R1 + R2);
const loaded = 1 / (1 / R2 + 1 / RM);
const indicated = (E * loaded) / (R1 + loaded);

function marked(of: AskedFor, unit: string | undefined, given: string, problem: Partial<Problem> = { job }) {
  const ask: Ask = { id: 'a', text: '', of, ...(unit !== undefined && { unit }) };
  return markAnswer({ ...shared, ...problem, asks: [ask] }, ask, given);
}

/** A value as one writes it, to five digits in the unit. */
const typed = (value: number, unit = 'V'): string => `${value.toPrecision(5)} ${unit}`;

test('the divider that an old meter drags down reads 4.584 V, not 9.853 V', () => {
  expect(truth).toBeCloseTo(9.8526, 4);
  expect(indicated).toBeCloseTo(4.5837, 4);
  expect(marked({ what: 'indicated', ...v1 }, 'V', typed(indicated))).toMatchObject({ right: true, slip: null });
});

test.each([
  ['4.584', true],
  ['4.583V', true],
  ['4583 mV', true],
  ['4,58 V', true],
  ['4,583 V', false],
  ['4.6 V', true],
  ['4V58', true],
  ['0.0046 kV', true],
  ['4.60 V', true],
  ['4.62 V', false],
  ['5 V', false],
  ['4583', false],
  ['-4.583 V', false],
  ['4.583 A', false],
  ['about five', false],
  ['', false],
])('%s V is right: %s', (given, right) => {
  expect(marked({ what: 'indicated', ...v1 }, 'V', given).right).toBe(right);
});

test('an answer without its unit is taken in the one asked for, and asked for it', () => {
  expect(marked({ what: 'indicated', ...v1 }, 'V', '4.583').text).toContain('Write the unit with it: 4.583 V');
  expect(marked({ what: 'indicated', ...v1 }, 'mV', '4583')).toMatchObject({ right: true });
  expect(marked({ what: 'indicated', ...v1 }, 'V', '4.583 V').text).not.toContain('Write the unit');
});

const slip = (name: Mistake, value: number, what: 'indicated' | 'error' | 'true' = 'indicated') =>
  [name, value, what] as const;

test.each([
  slip('meter-left-out', truth),
  slip('meter-in-series', (E * (R2 + RM)) / (R1 + R2 + RM)),
  slip('wrong-range', (E * (1 / (1 / R2 + 1 / 100_000))) / (R1 + 1 / (1 / R2 + 1 / 100_000))),
  slip('divider-inverted', (E * R1) / (R1 + loaded)),
  slip('error-only', indicated - truth),
  slip('sign', -indicated),
  slip('prefix', indicated * 1000),
  slip('prefix', indicated / 1000),
  slip('rounded-early', (E * 13_000) / (R1 + 13_000)),
  slip('sign', truth - indicated, 'error'),
  slip('error-only', indicated, 'error'),
  slip('divider-inverted', (E * R1) / (R1 + R2), 'true'),
])('at the voltmeter %s is named by what it would have given: %d', (name, value, what) => {
  expect(marked({ what, ...v1 }, 'V', typed(value))).toMatchObject({ right: false, slip: name });
});

test('an error over the indicated value is named, per cent read as a ratio', () => {
  const relative = indicated / truth - 1;
  const of = { what: 'relative-error', ...v1 } as const;
  expect(marked(of, '%', `${(relative * 100).toFixed(2)} %`)).toMatchObject({ right: true });
  expect(marked(of, '%', `${(((indicated - truth) / indicated) * 100).toFixed(2)}`)).toMatchObject({
    slip: 'of-indicated',
  });
  expect(marked(of, '%', 'a lot')).toMatchObject({ right: false, slip: null });
});

test('an ammeter taken in parallel with its part is named as that', () => {
  const of = { what: 'indicated', setup: 'S-2', meter: 'A1' } as const;
  expect(marked(of, 'µA', '250.0 µA')).toMatchObject({ right: true });
  // R1 ∥ R_A in series with R2: the current into both.
  const both = E / (1 / (1 / R1 + 1 / 1000) + R2);
  expect(marked(of, 'µA', typed(both * 1e6, 'µA'))).toMatchObject({ slip: 'meter-in-series' });
  expect(marked(of, 'µA', typed((E / (R1 + R2 + 200)) * 1e6, 'µA')).slip).not.toBeNull();
});

test('a correction that was left out, and one that was taken off, are named', () => {
  const of = { what: 'corrected', ...v1, shown: 4.5 } as const;
  const ratio = truth / indicated;
  expect(marked(of, 'V', typed(4.5 * ratio))).toMatchObject({ right: true, expected: 4.5 * ratio });
  expect(marked(of, 'V', '4.500 V')).toMatchObject({ slip: 'meter-left-out' });
  expect(marked(of, 'V', typed(4.5 / ratio))).toMatchObject({ slip: 'sign' });
});

test.each([
  ['reciprocal-not-inverted', 10_000 + 1 / 2200 + 1 / 4700],
  ['added-parallel', 10_000 + 2200 + 4700],
  ['reciprocals-of-series', 1 / (1 / 10_000 + (1 / 2200 + 1 / 4700))],
  ['rounded-early', 10_000 + 1500],
  ['prefix', 11.498],
] as const)('reducing a circuit, %s gives %d Ω', (name, value) => {
  const problem = { job: { ...newJob('Level loop'), network: read('E1 12V: R1 10k + (R2 2k2 || R3 4k7)') } };
  const of = { what: 'equivalent', source: 'E1' } as const;
  expect(marked(of, 'kΩ', '11.498 kΩ', problem)).toMatchObject({ right: true });
  const mark = marked(of, 'kΩ', typed(value, 'Ω'), problem);
  if (name === 'rounded-early' || name === 'reciprocal-not-inverted') expect([name, null]).toContain(mark.slip);
  else expect(mark).toMatchObject({ right: false, slip: name });
  if (name === 'added-parallel') expect(mark.text).toContain('R2 and R3 in parallel');
});

test('power and charge: V × R, and minutes for seconds', () => {
  const problem = { job: { ...newJob('Beacon'), network: read('E1 12V: R1 100 + R2 220') } };
  const current = 12 / 320;
  const power = { what: 'power', element: 'R2' } as const;
  expect(marked(power, 'mW', typed(current ** 2 * 220, 'W'), problem)).toMatchObject({ right: true });
  expect(marked(power, 'mW', typed(current * 220 * 220, 'W'), problem)).toMatchObject({ slip: 'power-v-times-r' });
  const charge = { what: 'charge', element: 'R1', seconds: 300 } as const;
  expect(marked(charge, 'C', typed(current * 300, 'C'), problem)).toMatchObject({ right: true });
  expect(marked(charge, 'C', typed(current * 5, 'C'), problem)).toMatchObject({ slip: 'minutes' });
});

test.each([
  ['ammeter', 'individual', [0.01], 0.01, (1e-3 * 100) / 9e-3, (1e-3 * 100) / 10e-3, (1e-3 * 100) / 11e-3],
  ['voltmeter', 'individual', [10], 10, 9900, 10_000, 10_100],
] as const)('designing the %s: the coil left out, or added', (target, scheme, ranges, range, right, without, added) => {
  const design: Design = {
    format: 'usual-drag/design',
    version: 1,
    target,
    movement: { fullScaleCurrent: 1e-3, resistance: 100 },
    scheme,
    ranges: [...ranges],
  };
  const of = { what: 'section', range } as const;
  expect(marked(of, 'Ω', typed(right, 'Ω'), { design })).toMatchObject({ right: true });
  expect(marked(of, 'Ω', typed(without, 'Ω'), { design })).toMatchObject({ slip: 'coil-not-subtracted' });
  expect(marked(of, 'Ω', typed(added, 'Ω'), { design })).toMatchObject({ slip: 'coil-added' });
});

test('a range is answered with its name, blanks and case aside', () => {
  const of = { what: 'range', ...v1 } as const;
  expect(marked(of, undefined, '10v')).toMatchObject({ right: true, expected: '10 V' });
  expect(marked(of, undefined, '50 V')).toMatchObject({ right: false, slip: 'wrong-range' });
});

test('what the problem does not have is said, not guessed', () => {
  const mark = marked({ what: 'voltage', element: 'R9' }, 'V', '1 V');
  expect(mark).toMatchObject({ right: false, expected: null, slip: null });
});

test('no number that no slip gives is blamed on one, and every slip of another size is refused', () => {
  for (const factor of [1.0612, 0.9071, 1.718, 3.3])
    expect(marked({ what: 'indicated', ...v1 }, 'V', typed(indicated * factor)).right).toBe(false);
  expect(marked({ what: 'indicated', ...v1 }, 'V', typed(indicated * 1.318)).slip).toBeNull();
});
