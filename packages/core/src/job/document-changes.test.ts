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
    'Parts: resistance of R1: 56\u00a0kΩ → 47\u00a0kΩ, R2 added, E1 removed',
    'Nominal or measured values added',
  ]);
});

test('a change within a set-up is in the words of the screen, with both values', () => {
  const meter = (range: string, reversed = false) => ({
    id: 'A1',
    instrument: 'm',
    quantity: 'dc-current' as const,
    range,
    node: 'A',
    ends: ['R1.from'],
    ...(reversed && { reversed }),
  });
  const withMeter = (one: ReturnType<typeof meter>): Job => ({ ...job, setups: [{ id: 'S-1', meters: [one] }] });
  expect(documentChanges(withMeter(meter('10 A')), withMeter(meter('500 µA', true)))).toEqual([
    'Set-ups: range of A1: 10 A → 500 µA (S-1), swapped leads of A1: no → yes (S-1)',
  ]);
  const [e1, r1] = job.network.elements as [Job['network']['elements'][0], Job['network']['elements'][0]];
  const elements = [e1, { ...r1, tolerance: 0.05, label: 'top' }];
  expect(documentChanges(job, { ...job, network: { elements } })).toEqual([
    'Parts: tolerance of R1: 1\u00a0% → 5\u00a0%, label of R1: none → top',
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

test('changes of the strip board name the legs that moved', () => {
  const board = { rows: 30, parts: [{ id: 'R1', from: '5a', to: '9a' }], wires: [] };
  const before = { ...job, board };
  expect(documentChanges(job, before)).toContain('Strip board added');
  expect(
    documentChanges(before, {
      ...before,
      board: { ...board, parts: [{ id: 'R1', from: '5a', to: '10a' }], wires: [{ from: '5L+', to: '5b' }] },
    }),
  ).toEqual(['Strip board: to of R1: 9a → 10a', 'Wires on the strip board changed']);
});
