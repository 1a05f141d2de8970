import type { Job } from './job.ts';
import { documentChanges } from './document-changes.ts';
import { sameValue } from './same-value.ts';

const job: Job = {
  format: 'usual-drag/job',
  version: 1,
  title: 'Float-level divider',
  network: {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 56_000, tolerance: 0.01 },
    ],
  },
  setups: [{ id: 'S-1', meters: [] }],
};

test('parts are compared by name: added, removed, and which of their figures changed', () => {
  const [e1, r1] = job.network.elements as [Job['network']['elements'][0], Job['network']['elements'][0]];
  const after = {
    ...job,
    network: {
      elements: [
        { ...r1, resistance: 47_000 },
        { ...r1, id: 'R2' },
      ],
      values: 'measured' as const,
    },
  };
  expect(e1.id).toBe('E1');
  expect(documentChanges(job, after)).toEqual([
    'Parts: R1 changed (resistance), R2 added, E1 removed',
    'Nominal or measured values added',
  ]);
});

test('titles, set-ups and whole lists without ids are named', () => {
  expect(documentChanges(job, { ...job, title: 'Divider', setups: [] })).toEqual([
    'Title changed',
    'Set-ups: S-1 removed',
  ]);
  expect(documentChanges({ id: 'a', functions: [1] }, { id: 'a', functions: [2], assetTag: 'SL-1' })).toEqual([
    'Functions changed',
    'Asset tag added',
  ]);
  expect(documentChanges({ ranges: [{ id: 'a' }, { id: 'b' }] }, { ranges: [{ id: 'b' }, { id: 'a' }] })).toEqual([
    'Ranges: order changed',
  ]);
});

test('the same document in another order of keys has no changes', () => {
  const { title, ...rest } = job;
  expect(documentChanges(job, { title, ...rest })).toEqual([]);
  expect(sameValue({ a: 1, b: undefined }, { a: 1 })).toBe(true);
  expect(sameValue([1, 2], { 0: 1, 1: 2 })).toBe(false);
  expect(sameValue(null, {})).toBe(false);
});
