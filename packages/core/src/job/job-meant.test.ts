import type { Job } from './job.ts';
import { networkMeant } from './job-meant.ts';
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
