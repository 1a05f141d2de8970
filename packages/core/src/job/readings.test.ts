import fc from 'fast-check';
import type { Reading } from '../readings/index.ts';
import { changeNetwork } from './edits/change-network.ts';
import { floatLevelDivider } from './float-level-divider.ts';
import { editElement } from './edits/job-edits.ts';
import { atItsVersion, newerKeys } from './job-version.ts';
import {
  addObservation,
  addReading,
  editConventions,
  nextReadingId,
  noteReading,
  strikeReading,
  takeMeasuredValue,
} from './edits/reading-edits.ts';
import { readingsFromRows, rowsFromReadings } from './rows/reading-rows.ts';
import { readingsStatus } from './readings-status.ts';
import { compareJob, planJob } from './job-questions.ts';
import { jobFaults } from './solve-job.ts';
import { trueValuesOf } from './solved-values.ts';
import type { Job } from './job.ts';
import { runs } from '../test/runs.ts';

const meter = {
  id: 'digital-2000',
  functions: [
    {
      quantity: 'dc-voltage' as const,
      ranges: [{ id: '20 V', fullScale: 19.99, resistance: 1e7, resolution: 0.01, accuracyOfReading: 0.005 }],
    },
  ],
};

const bare: Job = { ...floatLevelDivider([]), readings: [], instruments: [meter], setups: [] };

const reading = (id: string, shown: string): Reading => ({
  id,
  quantity: 'dc-voltage',
  instrument: 'digital-2000',
  range: '20 V',
  red: 'B',
  black: '0',
  observations: [{ shown, unit: 'V' }],
});

test('readings are added, observed again, remarked and struck; names are never used twice', () => {
  const one = addReading(bare, reading(nextReadingId([]), '6.36'));
  const two = addReading(one, reading(nextReadingId(one.readings!), '6.38'));
  expect(two.readings!.map(({ id }) => id)).toEqual(['M1', 'M2']);
  const struck = strikeReading(two, 'M2', 'lead was on C', '2026-11-26T10:00:00Z');
  expect(struck.readings![1]!.struck).toEqual({ at: '2026-11-26T10:00:00Z', why: 'lead was on C' });
  expect(nextReadingId(struck.readings!)).toBe('M3');
  const seen = addObservation(struck, 'M1', { shown: '6.37', unit: 'V' });
  expect(seen.readings![0]!.observations.map(({ shown }) => shown)).toEqual(['6.36', '6.37']);
  const noted = noteReading(seen, 'M1', 'steady');
  expect(noted.readings![0]!.note).toBe('steady');
  expect(noteReading(noted, 'M1', '').readings![0]).not.toHaveProperty('note');
});

test('a job is of version 2 where it has something of it, and goes back where it has not', () => {
  const { record: _head, readings: _none, ...plain } = bare;
  expect(atItsVersion({ ...plain, version: 2 }).version).toBe(1);
  expect(newerKeys(plain)).toEqual([]);
  expect(editConventions({ ...plain, version: 1 }, { sign: 'magnitude' })).toMatchObject({
    version: 2,
    conventions: { sign: 'magnitude' },
  });
  expect(editConventions({ ...plain, version: 2, conventions: { sign: 'magnitude' } }, { sign: 'keep' })).toEqual({
    ...plain,
    version: 1,
  });
  const labelled = editElement(plain, 'R1', { ...plain.network.elements[1]!, bodyLabel: '563' } as never);
  expect(newerKeys(labelled)).toEqual([{ path: 'network.elements[1].bodyLabel', since: 2 }]);
  expect(newerKeys({ ...plain, instruments: [{ ...meter, rates: [] }] })).toEqual([
    { path: 'instruments[0].rates', since: 2 },
  ]);
});

test('a reading goes along where a part or a node is renamed, and keeps its place otherwise', () => {
  const current: Reading = {
    ...reading('M2', '1.5'),
    quantity: 'dc-current',
    node: 'B',
    ends: ['R3.from'],
    observations: [{ shown: '1.5', unit: 'mA' }],
  } as never;
  const job = { ...bare, readings: [reading('M1', '6.36'), current] };
  const part = job.network.elements.find(({ id }) => id === 'R3')!;
  expect(editElement(job, 'R3', { ...part, id: 'R9' }).readings![1]).toMatchObject({ ends: ['R9.from'] });
  const renamed = {
    ...job.network,
    elements: job.network.elements.map((one) => ({
      ...one,
      from: one.from === 'B' ? 'X' : one.from,
      to: one.to === 'B' ? 'X' : one.to,
    })),
  };
  const moved = changeNetwork(job, renamed);
  expect(moved.readings).toMatchObject([{ red: 'X', black: '0' }, { node: 'X' }]);
  const without = changeNetwork(job, {
    ...job.network,
    elements: job.network.elements.filter(({ id }) => id !== 'R3'),
  });
  const compared = compareJob({ ...without, readings: [current] });
  expect(compared.ok && compared.value.readings.M2!.verdict).toBe('not-comparable');
});

test('two readings of one name, and a unit of another quantity, are named', () => {
  const twice = jobFaults({ ...bare, readings: [reading('M1', '1'), reading('M1', '2')] });
  expect(twice.map(({ code }) => code)).toEqual(['duplicate-id']);
  const amps = { ...reading('M1', '1'), observations: [{ shown: '1', unit: 'mA' }] };
  expect(jobFaults({ ...bare, readings: [amps] })[0]).toMatchObject({ code: 'invalid-value', where: ['M1'] });
  expect(planJob({ ...bare, readings: [amps] }).ok).toBe(false);
});

test('a resistance reading becomes the measured value', () =>
  expect(takeMeasuredValue(bare, 'R4', 27_400).network.elements.find(({ id }) => id === 'R4')).toMatchObject({
    measuredResistance: 27_400,
  }));

const word = fc
  .string({ minLength: 1, maxLength: 12 })
  .map((text) => text.trim())
  .filter((text) => text !== '');
const observation = fc.record(
  {
    shown: fc.oneof(
      fc.constant('OL'),
      fc.integer({ min: -9999, max: 9999 }).map((n) => (n / 100).toFixed(2)),
    ),
    unit: fc.constantFrom('V', 'mV', 'µV', 'kV'),
    at: fc.constant('2026-11-26T10:00:00Z'),
  },
  { requiredKeys: ['shown', 'unit'] },
);
const place = fc.oneof(
  fc.record({ quantity: fc.constant('dc-voltage' as const), red: fc.constantFrom('A', 'B'), black: fc.constant('0') }),
  fc.record(
    {
      quantity: fc.constant('dc-current' as const),
      node: fc.constant('B'),
      ends: fc.constantFrom(['R3.from'], ['R2.from', 'R3.from']),
      reversed: fc.boolean(),
    },
    { requiredKeys: ['quantity', 'node', 'ends'] },
  ),
  fc.record({ quantity: fc.constant('resistance' as const), element: fc.constantFrom('R1', 'R4') }),
);
const anyReadings = fc
  .array(
    fc.tuple(
      place,
      fc.record(
        {
          instrument: word,
          range: word,
          observations: fc.array(observation, { minLength: 1, maxLength: 3 }),
          scale: word,
          rate: word,
          by: word,
          note: word,
          source: fc.constantFrom('typed' as const, 'instrument' as const),
          struck: fc.record({ at: fc.constant('2026-11-26T10:00:00Z'), why: word }, { requiredKeys: ['why'] }),
          alongside: fc.constant([
            { id: 'V1', quantity: 'dc-voltage' as const, instrument: 'm', range: 'r', red: 'A', black: '0' },
          ]),
        },
        { requiredKeys: ['instrument', 'range', 'observations'] },
      ),
    ),
    { maxLength: 6 },
  )
  .map((list) => list.map(([where, taken], index) => ({ id: `M${index + 1}`, ...where, ...taken })));

test('written to rows and read back, any readings are the same', () => {
  fc.assert(
    fc.property(anyReadings, (readings) => {
      const read = readingsFromRows(rowsFromReadings(readings, {}));
      expect(read.faults).toEqual([]);
      // A time that some observations of one reading lack is not made up.
      expect(read.readings).toEqual(readings);
    }),
    { numRuns: runs(300) },
  );
});

test('rows that cannot be read are told by their number', () => {
  const [heading = []] = rowsFromReadings([], {});
  const row = (cells: Readonly<Record<string, string>>): string[] => heading.map((column) => cells[column] ?? '');
  const good = {
    reading: 'M1',
    quantity: 'dc-voltage',
    instrument: 'm',
    range: 'r',
    red: 'A',
    black: '0',
    shown: '1',
    unit: 'V',
  };
  const { readings, faults } = readingsFromRows([
    heading,
    row(good),
    row({ ...good, reading: 'M 2' }),
    row({ ...good, reading: 'M3', shown: '1,5' }),
    row({ ...good, reading: 'M4', quantity: 'power' }),
    row({ ...good, reading: 'M5', black: '' }),
    row({ ...good, reading: 'M6', instrument: '' }),
    row(good),
    row({ ...good, reading: 'M7', alongside: '{' }),
    row({ ...good, reading: 'M8', quantity: 'resistance' }),
    row({ ...good, reading: 'M9', quantity: 'dc-current', node: 'B' }),
    [],
  ]);
  expect(readings.map(({ id }) => id)).toEqual(['M1']);
  expect(faults.map((fault) => fault.row)).toEqual([3, 4, 5, 6, 7, 8, 9, 10, 11]);
  expect(readingsFromRows([['a', 'b']]).faults[0]!.message).toContain('The first row must name the columns');
});

test('how far the readings have come: struck ones do not count', () => {
  const job = {
    ...bare,
    readings: [reading('M1', '6.36'), reading('M2', '9.36'), { ...reading('M3', '1'), struck: { why: 'slip' } }],
  };
  const status = readingsStatus(job, trueValuesOf(job.network));
  expect(status).toMatchObject({ readings: 2, read: 1, doNotAgree: 1 });
  expect(readingsStatus(bare, trueValuesOf(bare.network))).toBeNull();
});
