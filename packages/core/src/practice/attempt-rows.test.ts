import { rowsFromAttempts } from './attempt-rows.ts';

it('lists attempts, with an empty cell where no mistake was recognised', () => {
  const attempt = {
    at: '2026-11-30T08:00:00Z',
    person: 'A',
    kind: 'fault-hunt',
    level: 1,
    seed: 7,
    right: true,
    slip: null,
    hints: 0,
    seconds: 20,
  } as const;
  expect(rowsFromAttempts([attempt]).data).toEqual([
    ['2026-11-30T08:00:00Z', 'A', 'fault-hunt', 1, 7, true, '', 0, 20],
  ]);
});
