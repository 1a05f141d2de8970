import { calibrationOn, calibrationsDue } from './calibration-due.ts';
import { rangesOf } from './instrument.ts';
import {
  copyInstrument,
  freeId,
  instrumentForJob,
  kitFaults,
  settledRange,
  withCertificate,
  type KitInstrument,
} from './kit.ts';

const kept: KitInstrument = {
  id: 'shop-meter',
  name: 'Workshop multimeter',
  display: 'digital',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: '2 V', fullScale: 1.999, resistance: 1e7 }] },
    { quantity: 'dc-current', ranges: [{ id: '2 A', fullScale: 1.999, resistance: 0.1, fuse: 3 }] },
  ],
  resistanceRanges: [{ id: '2 kΩ', fullScale: 1999, testCurrent: 5e-4 }],
  leadResistance: 0.04,
  contactResistance: 0.01,
  assetTag: 'SL-207',
  laboratory: 'Saltmarsh standards room',
  certificateNumber: 'SL-C-0731',
  calibratedOn: '2026-01-31',
  calibrationMonths: 1,
};

test('a job keeps what acts on the circuit: leads and contacts are part of a current range, not of a voltage range', () => {
  const taken = instrumentForJob(kept);
  expect(Object.keys(taken).sort()).toEqual(['display', 'functions', 'id', 'name']);
  expect(rangesOf(taken, 'dc-voltage')[0]!.resistance).toBe(1e7);
  expect(rangesOf(taken, 'dc-current')[0]!.resistance).toBeCloseTo(0.15, 15);
  expect(rangesOf(taken, 'dc-current')[0]!.fuse).toBe(3);
});

test('a copy leaves tag and calibration with the specimen', () => {
  const copy = copyInstrument(kept, ['shop-meter', 'shop-meter-2']);
  expect(copy.id).toBe('shop-meter-3');
  expect(copy.name).toBe('Workshop multimeter (copy)');
  expect([copy.assetTag, copy.laboratory, copy.certificateNumber]).toEqual([undefined, undefined, undefined]);
  expect(copy.calibratedOn).toBeUndefined();
  expect(copy.calibrationMonths).toBe(1);
  expect(freeId('new', ['shop-meter'])).toBe('new');
});

test('a month after the 31st of January is the 28th of February', () => {
  expect(calibrationOn(kept, '2026-02-20')).toEqual({
    calibratedOn: '2026-01-31',
    dueOn: '2026-02-28',
    daysLeft: 8,
    status: 'soon',
  });
  expect(calibrationOn(kept, '2026-03-01')!.status).toBe('overdue');
  expect(calibrationOn({ ...kept, calibrationMonths: 24 }, '2026-03-01')!.status).toBe('good');
  expect(calibrationOn({ calibrationMonths: 12 }, '2026-03-01')).toBeNull();
});

test('a calibration holds on its due day, and is later than a day before it was made', () => {
  const on = (day: string) => calibrationOn({ calibratedOn: '2026-03-02', calibrationMonths: 6 }, day)!.status;
  expect(['2026-03-01', '2026-03-02', '2026-08-02', '2026-08-03', '2026-09-02', '2026-09-03'].map(on)).toEqual([
    'later',
    'good',
    'good',
    'soon',
    'soon',
    'overdue',
  ]);
});

test('what is due first stands first, what is archived or has no interval is left out', () => {
  const due = (id: string, calibratedOn?: string, more: object = {}): KitInstrument => ({
    id,
    ...(calibratedOn !== undefined && { calibratedOn }),
    calibrationMonths: 12,
    ...more,
  });
  const kit = [
    due('late', '2026-05-01'),
    due('early', '2025-02-01'),
    due('gone', '2024-01-01', { retired: true }),
    due('unknown'),
    due('same', '2026-05-01'),
  ];
  expect(calibrationsDue(kit, '2026-11-27').map(({ kept, calibration }) => [kept.id, calibration.dueOn])).toEqual([
    ['early', '2026-02-01'],
    ['late', '2027-05-01'],
    ['same', '2027-05-01'],
  ]);
});

test('a copy leaves the certificates with the specimen', () => {
  const calibration = { on: '2026-03-02', points: [{ applied: 1, indicated: 1.01 }], uncertainty: 0.001 };
  const certified: KitInstrument = {
    id: 'x',
    functions: [{ quantity: 'dc-voltage', ranges: [{ id: '2 V', fullScale: 2, resistance: 1e6, calibration }] }],
    resistanceRanges: [{ id: '2 kΩ', fullScale: 2000, testCurrent: 1e-3, calibration }],
  };
  expect(JSON.stringify(copyInstrument(certified, []))).not.toContain('certificate');
  expect(JSON.stringify(copyInstrument(certified, []))).not.toContain('calibration');
  expect(copyInstrument(certified, []).functions![0]!.ranges[0]).toEqual({ id: '2 V', fullScale: 2, resistance: 1e6 });
});

test('a certificate goes to its own range, and is taken off again', () => {
  const calibration = { on: '2026-03-02', points: [{ applied: 1, indicated: 1.01 }], uncertainty: 0.001 };
  const bare: KitInstrument = {
    id: 'x',
    functions: [
      { quantity: 'dc-voltage', ranges: [{ id: '2', fullScale: 2, resistance: 1e6 }] },
      { quantity: 'dc-current', ranges: [{ id: '2', fullScale: 2, resistance: 0.1 }] },
    ],
    resistanceRanges: [{ id: '2', fullScale: 2000, testCurrent: 1e-3 }],
  };
  const ohms = withCertificate(bare, 'resistance', '2', calibration);
  expect(ohms.resistanceRanges![0]!.calibration).toEqual(calibration);
  expect(ohms.functions).toEqual(bare.functions);
  const amps = withCertificate(bare, 'dc-current', '2', calibration);
  expect(amps.functions!.map(({ ranges }) => ranges[0]!.calibration)).toEqual([undefined, calibration]);
  expect(amps.resistanceRanges).toEqual(bare.resistanceRanges);
  expect(withCertificate(amps, 'dc-current', '2', null)).toEqual(bare);
  expect(withCertificate(bare, 'dc-current', '20', calibration)).toEqual(bare);
});

test('what cannot be is named, with the range it is in', () => {
  expect(kitFaults(kept)).toEqual([]);
  const wrong: KitInstrument = {
    ...kept,
    leadResistance: -1,
    autoRange: { up: 0.5, down: 0.6 },
    address: 'http://meter:5025',
    calibratedOn: '2026-02-30',
    functions: [
      {
        quantity: 'dc-voltage',
        ranges: [
          { id: '2 V', fullScale: 0, resistance: 0 },
          {
            id: '2 V',
            fullScale: 2,
            resistance: 1,
            calibration: {
              on: 'in spring',
              points: [
                { applied: 1, indicated: 1 },
                { applied: 0.9, indicated: 1.1 },
              ],
              uncertainty: 0,
            },
          },
        ],
      },
    ],
  };
  const messages = kitFaults(wrong).map(({ message }) => message);
  expect(messages).toEqual([
    'Workshop multimeter: leadResistance must not be below zero.',
    'Workshop multimeter: auto-ranging must come down below where it goes up.',
    'Workshop multimeter: two ranges are called 2 V.',
    'Workshop multimeter: 2 V, fullScale must be above zero.',
    'Workshop multimeter: 2 V, resistance must be above zero.',
    'Workshop multimeter: 2 V, the day of its certificate must be a date such as 2026-11-25.',
    'Workshop multimeter: 2 V, the applied values of its certificate must rise with the indications.',
    'Workshop multimeter: its address must be like tcp://192.168.1.20:5025.',
    'Workshop multimeter: the day of calibration must be a date such as 2026-11-25.',
  ]);
});

test('auto-ranging settles on the lowest range that is not passed', () => {
  const reading = (fullScale: number, indicated: number) => ({
    range: { id: `${fullScale} V`, fullScale, resistance: 1e7 },
    indicated,
  });
  const readings = [reading(20, 1.9), reading(2, 1.85), reading(0.2, 1.5)];
  expect(settledRange(readings, { up: 0.95, down: 0.09 })!.range.id).toBe('2 V');
  expect(settledRange(readings, { up: 0.9, down: 0.09 })!.range.id).toBe('20 V');
  expect(settledRange([reading(1, -3)], { up: 1, down: 0.1 })).toBeNull();
});
