import type { Instrument } from '../instrument/index.ts';
import { displayRemark } from './display-remark.ts';

const meter: Instrument = {
  id: 'm',
  functions: [
    { quantity: 'dc-current', ranges: [{ id: '2 mA', fullScale: 1.999e-3, resistance: 100, resolution: 1e-6 }] },
    { quantity: 'resistance', ranges: [{ id: '2 kΩ', fullScale: 1999, testCurrent: 1e-4, resolution: 1 }] },
  ],
};
const needle: Instrument = {
  id: 'n',
  display: 'analogue',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { id: '10 V', fullScale: 10, resistance: 2e5, divisions: 50 },
        { id: '50 V', fullScale: 50, resistance: 1e6, divisions: 50 },
      ],
    },
  ],
};

test.each([
  [
    'a value beyond full scale',
    meter,
    { quantity: 'dc-current', range: '2 mA' },
    '13.45',
    'mA',
    /2 mA range cannot display 13\.45\smA/,
  ],
  [
    'digits that the range does not have',
    meter,
    { quantity: 'resistance', range: '2 kΩ' },
    '1.507',
    'Ω',
    /more digits/,
  ],
  ['a value to the last digit', meter, { quantity: 'dc-current', range: '2 mA' }, '-1.345', 'mA', null],
  ['OL', meter, { quantity: 'dc-current', range: '2 mA' }, 'OL', 'mA', null],
  ['a needle between its marks', needle, { quantity: 'dc-voltage', range: '10 V' }, '6.37', 'V', null],
  ['a needle beyond its stop', needle, { quantity: 'dc-voltage', range: '10 V' }, '12', 'V', /cannot display/],
  [
    'a needle read from a larger scale',
    needle,
    { quantity: 'dc-voltage', range: '10 V', scale: '50 V' },
    '12',
    'V',
    null,
  ],
] as const)('%s', (_name, instrument, at, shown, unit, wanted) => {
  const remark = displayRemark(at, instrument, { shown, unit });
  if (wanted === null) expect(remark).toBeNull();
  else expect(remark).toMatch(wanted);
});
