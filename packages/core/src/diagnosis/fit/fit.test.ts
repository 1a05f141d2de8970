import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DiagnosedJob } from '../diagnosed-job.ts';
import { faultSentence } from '../../faults/index.ts';
import { fitJob, type Fit } from './fit.ts';
import { freeName } from './free-name.ts';

interface Case {
  readonly job: DiagnosedJob;
  readonly free: readonly string[];
  readonly verdict: Fit['verdict'];
  readonly truth: Readonly<Record<string, number>> | null;
}

const cases = readFileSync(join(__dirname, '../../../vectors/fit.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Case);

test('worked cases: the verdict, and the hidden values within one and a half times the stated uncertainty', () => {
  expect(cases.length).toBeGreaterThan(20);
  for (const [index, { job, free, verdict, truth }] of cases.entries()) {
    const made = fitJob(
      job,
      free.map((name) => freeName(name, job)!),
    );
    if (!made.ok) throw new Error(made.fault.code);
    expect([index, made.value.verdict]).toEqual([index, verdict]);
    for (const [name, hidden] of Object.entries(verdict === 'explains' ? truth! : {})) {
      const { value, uncertainty } = made.value.free[name]!;
      expect([index, name, Math.abs(value! - hidden) <= 1.5 * uncertainty!]).toEqual([index, name, true]);
    }
  }
});

const meter = {
  id: 'm',
  functions: [
    { quantity: 'dc-voltage' as const, ranges: [{ id: 'v', fullScale: 20, resistance: 1e7, resolution: 0.001 }] },
    { quantity: 'dc-current' as const, ranges: [{ id: 'a', fullScale: 2, resistance: 0.1, resolution: 1e-4 }] },
  ],
};

/** 10 V behind 0.5 Ω into 9.5 Ω: what an ammeter of 2 Ω reads is 833.3 mA, if the job thinks that it has 0.1 Ω. */
const job: DiagnosedJob = {
  network: {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10, internalResistance: 0.5 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 9.5 },
    ],
  },
  instruments: [meter],
  readings: [
    {
      id: 'M1',
      quantity: 'dc-current',
      instrument: 'm',
      range: 'a',
      node: 'A',
      ends: ['R1.from'],
      observations: [{ shown: '833.3', unit: 'mA' }],
    },
    {
      id: 'M2',
      quantity: 'dc-voltage',
      instrument: 'm',
      range: 'v',
      red: 'A',
      black: '0',
      observations: [{ shown: '9.500', unit: 'V' }],
    },
  ],
};

test('the resistance of the meter follows from the current that it let through', () => {
  const made = fitJob(job, [freeName('meter:m:dc-current', job)!]);
  expect(made.ok && made.value.verdict).toBe('explains');
  expect(made.ok && made.value.free['meter:m:dc-current']!.value).toBeCloseTo(2, 2);
  const leads = fitJob(job, [freeName('leads', job)!]);
  expect(leads.ok && leads.value.free.leads!.value).toBeCloseTo(1.9, 2);
});

test('what the readings do not bear on is named, and a name that the job does not have is none', () => {
  const made = fitJob(job, [freeName('meter:m:dc-current', job)!, freeName('leads', job)!]);
  expect(made.ok && made.value).toMatchObject({
    verdict: 'underdetermined',
    misfit: null,
    undetermined: ['meter:m:dc-current', 'leads'],
  });
  for (const name of ['R1.emf', 'E9.emf', 'meter:x:dc-current', 'meter:m:dc-current:none', 'nothing'])
    expect(freeName(name, job)).toBeNull();
});

test('no resistance is fitted below zero: then nothing sensible explains the readings', () => {
  const high = {
    ...job,
    readings: job.readings!.map((reading) =>
      reading.id === 'M1' ? { ...reading, observations: [{ shown: '1.300', unit: 'A' }] } : reading,
    ),
  };
  const made = fitJob(high, [freeName('meter:m:dc-current', high)!]);
  expect(made.ok && made.value.verdict).toBe('does-not-explain');
  expect(made.ok && made.value.free['meter:m:dc-current']!.value).toBeGreaterThanOrEqual(0);
});

test('every fault has its sentence', () => {
  expect(faultSentence({ fault: 'contact', where: ['R3'], value: 54.3 })).toBe('R3 has a bad contact of 54.3\u00a0Ω.');
  expect(faultSentence({ fault: 'prefix', where: ['M2'], value: 1e-3 })).toContain('1000 times too small');
  expect(faultSentence({ fault: 'wrong-place', where: ['M2'], value: { node: 'B', ends: ['R3.from'] } })).toBe(
    'M2 was read at B into R3.',
  );
  expect(faultSentence({ fault: 'meter', where: ['m'], value: { quantity: 'dc-current', factor: 1.35 } })).toBe(
    'The resistance of m on current is 1.35 times the assumed value.',
  );
});
