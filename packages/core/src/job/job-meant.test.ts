import { read } from '../test/read-line.ts';
import { placeOf } from '../plan/index.ts';
import type { Reading } from '../readings/index.ts';
import { compareJob } from './job-questions.ts';
import { atItsVersion } from './job-version.ts';
import type { Job } from './job.ts';
import { jobMeant, networkMeant, readingsMeant } from './job-meant.ts';
import { solveJob } from './solve-job.ts';

const job = (version: 1 | 2): Job => ({
  format: 'usual-drag/job',
  version,
  network: {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 1 },
      { id: 'L1', kind: 'load', from: '0', to: 'A', ratedVoltage: 12, ratedCurrent: 0.3, polarised: true },
    ],
  },
});

test('version 1 means what it meant: a polarised load conducts both ways', () => {
  const [old, newer] = [solveJob(job(1)), solveJob(job(2))];
  expect(old.ok && old.value.true.elements.L1!.current).toBeCloseTo(-12 / 41, 12);
  expect(newer.ok && newer.value.true.elements.L1!.current).toBe(0);
});

test('a network is itself where its version changes nothing, and one and the same object where it does', () => {
  const [old, newer] = [job(1), job(2)];
  expect(networkMeant(newer)).toBe(newer.network);
  expect(networkMeant(old)).not.toBe(old.network);
  expect(networkMeant(old)).toBe(networkMeant(old));
});

const reading = (red: string, black: string): Reading => ({
  id: 'M1',
  quantity: 'dc-voltage',
  instrument: 'm',
  range: 'v',
  red,
  black,
  observations: [{ shown: '23.9', unit: 'V' }],
});
const withReadings = (line: string, version: 1 | 2 | 3, ...readings: Reading[]): Job => ({
  format: 'usual-drag/job',
  version,
  network: read(line),
  readings,
});

test('before version 3 a node’s name with -open is the source’s terminal, unloaded', () => {
  const job = withReadings('E1 24V/1: R1 100', 2, reading('A-open', '0'));
  expect(readingsMeant(job)).toEqual([{ ...reading('A', '0'), unloaded: 'E1' }]);
  expect(readingsMeant(job)).toBe(readingsMeant(job));
  expect(jobMeant(job).readings).toBe(readingsMeant(job));
  // Once it is saved, it is written as version 3 has it.
  expect(atItsVersion(job)).toMatchObject({ version: 3, readings: [{ red: 'A', unloaded: 'E1' }] });
  // In version 3 the name is a name.
  const newer = withReadings('E1 24V/1: R1 100', 3, reading('A-open', '0'));
  expect(readingsMeant(newer)).toBe(newer.readings);
});

test('a node that is called so is no terminal, and its reading has no other name', () => {
  const network = read('E1 24V/1: R1 100');
  const elements = network.elements.map((one) => ({ ...one, from: one.from.replace('A', 'valve-open') }));
  const job = { ...withReadings('E1 24V/1: R1 100', 2, reading('valve-open', '0')), network: { elements } };
  expect(readingsMeant(job)).toBe(job.readings);
  expect(placeOf(job.readings![0]!)).toBe('Voltage valve-open to 0');
});

test('an unloaded reading is compared with its source alone, in compare too', () => {
  const instruments = [
    { id: 'm', functions: [{ quantity: 'dc-voltage' as const, ranges: [{ id: 'v', fullScale: 50, resistance: 99 }] }] },
  ];
  const compared = compareJob({ ...withReadings('E1 24V/1: R1 100', 2, reading('A-open', '0')), instruments });
  if (!compared.ok) throw new Error(compared.fault.message);
  // 24 V behind 1 Ω, the meter of 99 Ω alone across it.
  expect(compared.value.readings.M1).toMatchObject({ true: 24, expected: expect.closeTo(23.76, 12) });
  expect(compared.value.readings.M1!.corrected).toBeCloseTo((23.9 * 100) / 99, 12);
});
