import type { Instrument } from '@usual-drag/core/instrument';
import { makePlan, placeOf, type ReadStep } from '@usual-drag/core/plan';
import { floatLevelDivider } from '@usual-drag/core/job';
import { checksOf, spokenStep, titleOf, usualPrefix } from './step-words.ts';

const meter: Instrument = {
  id: 'm',
  name: 'Handheld',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [20, 200].map((volts) => ({
        id: `${volts} V`,
        fullScale: volts,
        resistance: 1e7,
        resolution: volts / 2000,
      })),
    },
    {
      quantity: 'dc-current',
      ranges: [
        { id: '2 mA', fullScale: 0.002, resistance: 100, resolution: 1e-6, jack: 'mA', fuse: 0.5 },
        { id: '10 A', fullScale: 10, resistance: 0.02, resolution: 0.01, jack: '10 A' },
      ],
    },
    { quantity: 'resistance', ranges: [{ id: '200 kΩ', fullScale: 199_900, testCurrent: 1e-6, resolution: 100 }] },
  ],
};

const { network } = floatLevelDivider([]);
const made = makePlan({ network, instruments: [meter] });
const steps = made.ok ? made.value.steps : [];
const reads = steps.filter((step): step is ReadStep => step.do === 'read');

test('each kind of step has its title', () => {
  expect([...new Set(steps.map((step) => (step.do === 'read' ? step.quantity : step.do)))]).toEqual([
    'resistance',
    'supply',
    'break',
    'dc-voltage',
    'restore',
    'dc-current',
    'off',
  ]);
  expect(steps.map(titleOf)).toEqual(
    expect.arrayContaining([
      'Resistance of R1',
      'Set E1',
      'Open the circuit at A',
      'Voltage A to 0, unloaded',
      'Join R1 to A again',
      'Voltage A to B',
      'Current at 0 into R2',
      'Supply off, and restore',
    ]),
  );
});

test('what is to be set is told in the order of the convention, with jack, ranges and leads', () => {
  const current = reads.find((step) => step.quantity === 'dc-current' && step.ends[0] === 'R2.to')!;
  expect(checksOf(current, [meter], {}).map(({ text }) => text)).toEqual([
    'Handheld: DC current',
    'Red lead in mA, black in COM',
    // 163 µA: the fuse of the mA jack holds, and this is its highest range.
    'Range 2 mA',
    'Black on 0, red on the lifted end of R2',
  ]);
  const other = checksOf(current, [meter], { checks: 'leads-function-range-placement' });
  expect(other.slice(0, 2).map(({ id }) => id)).toEqual(['leads', 'function']);
});

test('a step is spoken with what is to be expected', () => {
  const voltage = reads.find((step) => step.quantity === 'dc-voltage' && step.red === 'B' && step.black === '0')!;
  expect(spokenStep(voltage, network)).toBe(`Voltage B to 0. Range 20 V. Expect ${voltage.display} V.`);
  expect(spokenStep(voltage, network, true)).toBe('Voltage B to 0. Range 20 V.');
  expect(spokenStep(steps.at(-1)!, network)).toContain('Supply off');
});

test('a reading’s place has the words of its step; the likeliest prefix is the one of the display', () => {
  expect(
    placeOf({ id: 'M1', quantity: 'resistance', instrument: 'm', range: 'r', element: 'R4', observations: [] }),
  ).toBe('Resistance of R4');
  expect(usualPrefix(meter, 'dc-current', '2 mA')).toBe('m');
  expect(usualPrefix(meter, 'resistance', '200 kΩ')).toBe('k');
  expect(usualPrefix(meter, 'dc-voltage', '20 V')).toBe('');
  expect(usualPrefix(undefined, 'dc-voltage', '20 V')).toBe('');
});
