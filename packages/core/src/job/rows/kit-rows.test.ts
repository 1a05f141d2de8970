import { kitFromRows, rowsFromKit } from './kit-rows.ts';
import type { KitInstrument } from '../../instrument/index.ts';

const kit: readonly KitInstrument[] = [
  {
    id: 'shop',
    name: 'Workshop multimeter',
    display: 'digital',
    assetTag: 'SL-207',
    address: 'tcp://127.0.0.1:5025',
    calibratedOn: '2026-01-31',
    laboratory: 'Saltmarsh standards room',
    certificateNumber: 'SL-C-0731',
    calibrationMonths: 12,
    leadResistance: 0.04,
    autoRange: { up: 0.95, down: 0.09 },
    notes: 'Lead set B, “red” frayed',
    functions: [
      {
        quantity: 'dc-voltage',
        ranges: [
          {
            id: '2 V',
            fullScale: 1.999,
            resistance: 1e7,
            resolution: 0.001,
            accuracyOfReading: 0.005,
            accuracyCounts: 2,
          },
          {
            id: '20 V',
            fullScale: 19.99,
            resistance: 1e7,
            jack: 'V',
            calibration: {
              on: '2026-03-02',
              points: [
                { applied: 5, indicated: 5.005 },
                { applied: -12, indicated: -12.012 },
              ],
              uncertainty: 0.004,
            },
          },
        ],
      },
      { quantity: 'dc-current', ranges: [{ id: '200 mA', fullScale: 0.1999, resistance: 1, jack: 'mA', fuse: 0.25 }] },
    ],
    rates: [
      { id: 'slow', counts: 0 },
      { id: 'very fast', counts: 5 },
    ],
    resistanceRanges: [{ id: '2 kΩ', fullScale: 1999, testCurrent: 5e-4 }],
  },
  { id: 'bare', name: 'A case without a meter', retired: true },
];

test('a kit written as rows reads in as the same kit', () => {
  const { instruments, faults } = kitFromRows(rowsFromKit(kit));
  expect(faults).toEqual([]);
  expect(instruments).toEqual(kit);
});

test('headings in any order; an id is made of the name; rows of one name are one instrument', () => {
  const { instruments } = kitFromRows([
    ['fullScale', 'name', 'range', 'quantity', 'resistance'],
    ['10', 'Old meter, 2 kΩ/V', '10 V', 'dc-voltage', '20000'],
    ['50', 'Old meter, 2 kΩ/V', '50 V', 'dc-voltage', '100000'],
  ]);
  expect(instruments).toEqual([
    {
      id: 'old-meter-2-k-v',
      name: 'Old meter, 2 kΩ/V',
      functions: [
        {
          quantity: 'dc-voltage',
          ranges: [
            { id: '10 V', fullScale: 10, resistance: 20_000 },
            { id: '50 V', fullScale: 50, resistance: 100_000 },
          ],
        },
      ],
    },
  ]);
});

test('a certificate or rates that cannot be read are told, not left out', () => {
  const head = [
    'name',
    'quantity',
    'range',
    'fullScale',
    'resistance',
    'certificateOn',
    'certificatePoints',
    'certificateUncertainty',
    'rates',
  ];
  const range = ['A', 'dc-voltage', '10 V', '10', '1'];
  const { faults } = kitFromRows([
    head,
    [...range, '2026-03-02', '5/5.005 | 12', '0.004', ''],
    [...range, '2026-03-02', '5/5.005', 'small', ''],
    [...range, '2026-03-02', '', '0.004', ''],
    [...range, '', '', '', 'slow'],
    [...range, '2026-03-02', '5/5.005', '0.004', 'slow 0'],
  ]);
  expect(faults.map(({ row }) => row)).toEqual([2, 3, 4, 5]);
  expect(faults[2]!.message).toBe('The certificate needs its certificatePoints.');
});

test('rows that cannot be read say which and why; the others are kept', () => {
  const head = ['name', 'quantity', 'range', 'fullScale', 'resistance', 'testCurrent'];
  const { instruments, faults } = kitFromRows([
    head,
    ['A', 'dc-voltage', '10 V', '10 V', '1'],
    ['A', 'ac-voltage', '10 V', '10', '1'],
    ['A', 'resistance', '2 kΩ', '2000', ''],
    ['A', 'dc-voltage', '10 V', '10', ''],
    ['', 'dc-voltage', '10 V', '10', '1'],
    ['A', 'dc-voltage', '10 V', '10', '1'],
  ]);
  expect(faults.map(({ row }) => row)).toEqual([2, 3, 4, 5, 6]);
  expect(faults[0]!.message).toContain('“10 V” is not a number for fullScale');
  expect(instruments).toHaveLength(1);
  expect(kitFromRows([['name', 'range']]).faults[0]!.message).toContain('“quantity”');
  expect(kitFromRows([[...head, 'colour']]).faults[0]!.message).toContain('“colour”');
});
