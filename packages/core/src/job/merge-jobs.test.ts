import fc from 'fast-check';
import { renameNode, type Resistor } from '../network/index.ts';
import type { Reading } from '../readings/index.ts';
import { changeNetwork } from './edits/change-network.ts';
import { floatLevelDivider } from './float-level-divider.ts';
import { editElement } from './edits/job-edits.ts';
import type { Job } from './job.ts';
import { mergeJobs } from './merge-jobs.ts';
import { addObservation, addReading, nextReadingId, noteReading, strikeReading } from './edits/reading-edits.ts';
import { sameValue } from './same-value.ts';

const divider: Job = { ...floatLevelDivider([]), setups: [] };

const reading = (id: string, shown: string, at: string): Reading => ({
  id,
  quantity: 'dc-voltage',
  instrument: 'digital-2000',
  range: '20 V',
  red: 'B',
  black: '0',
  observations: [{ shown, unit: 'V', at: `2026-11-27T09:${at}Z` }],
});

/** Takes a reading under the next free name, as a device does that knows of no other. */
const take = (job: Job, shown: string, at: string): Job =>
  addReading(job, reading(nextReadingId(job.readings ?? []), shown, at));

const shown = (job: Job | null): (string | undefined)[] =>
  (job?.readings ?? []).map(({ id, observations }) => `${id} ${observations[0]!.shown}`);

/** The job with another resistance in it. */
const withResistance = (part: string, resistance: number): Job =>
  editElement(base, part, { ...base.network.elements.find(({ id }) => id === part)!, resistance } as Resistor);

const base = take(divider, '6.36', '00:00.000');

test('readings of two devices stand side by side, those handed in later under the next free names, in order', () => {
  const bench = take(take(base, '6.37', '01:00.000'), '12.0', '02:00.000');
  const phone = take(take(take(base, '3.65', '01:30.000'), '3.66', '01:40.000'), '3.67', '02:30.000');
  expect(shown(mergeJobs(base, phone, bench))).toEqual([
    'M1 6.36',
    'M2 6.37',
    'M3 12.0',
    'M4 3.65',
    'M5 3.66',
    'M6 3.67',
  ]);
});

test('handed in twice, nothing is there twice', () => {
  const phone = take(base, '3.65', '01:30.000');
  const once = mergeJobs(base, phone, take(base, '6.37', '01:00.000'))!;
  expect(shown(once)).toEqual(['M1 6.36', 'M2 6.37', 'M3 3.65']);
  // No answer came, so the phone sends what it has once more, from the revision that it knows.
  expect(mergeJobs(base, phone, once)).toBe(once);
  const further = take(phone, '3.66', '03:00.000');
  expect(shown(mergeJobs(base, further, once))).toEqual(['M1 6.36', 'M2 6.37', 'M3 3.65', 'M4 3.66']);
});

test('readings that say the same at the same moment are two where two took them', () => {
  const [one, other] = ['a', 'b'].map((by) => addReading(base, { ...reading('M2', '1', '01:00.000'), by }));
  expect(shown(mergeJobs(base, one!, other!))).toEqual(['M1 6.36', 'M2 1', 'M3 1']);
  // Names that no other device gives differ by them alone.
  const own = (id: string): Job => addReading(base, reading(id, '1', '01:00.000'));
  expect(shown(mergeJobs(base, own('phone-1'), own('bench-1')))).toEqual(['M1 6.36', 'bench-1 1', 'phone-1 1']);
  const untimed = (id: string): Job =>
    addReading(base, { ...reading(id, '1', ''), observations: [{ shown: '1', unit: 'V' }] });
  expect(shown(mergeJobs(base, untimed('x'), untimed('y')))).toEqual(['M1 6.36', 'y 1', 'x 1']);
  expect(shown(mergeJobs(base, untimed('x'), untimed('x')))).toEqual(['M1 6.36', 'x 1']);
});

test('of everything else one side may have changed something, whichever it is', () => {
  const read = take(base, '3.65', '01:30.000');
  const edited = withResistance('R2', 47_000);
  for (const merged of [mergeJobs(base, read, edited), mergeJobs(base, edited, read)]) {
    expect(shown(merged)).toEqual(['M1 6.36', 'M2 3.65']);
    expect(merged!.network).toEqual(edited.network);
  }
});

test('readings go along with a node that was renamed meanwhile, whichever side renamed it', () => {
  const read = take(base, '3.65', '01:30.000');
  const renamed = changeNetwork(base, renameNode(base.network, 'B', 'TP2'));
  for (const merged of [mergeJobs(base, read, renamed), mergeJobs(base, renamed, read)])
    expect(merged!.readings).toMatchObject([
      { id: 'M1', red: 'TP2', black: '0' },
      { id: 'M2', red: 'TP2', black: '0' },
    ]);
  // A node that is gone, its parts at several others, is nowhere to go along to: the reading keeps what it said.
  const moved = (node: string, part: string): string => (node === 'B' ? `B${part}` : node);
  const apart = changeNetwork(base, {
    elements: base.network.elements.map((one) => ({
      ...one,
      from: moved(one.from, one.id),
      to: moved(one.to, one.id),
    })),
  });
  expect(mergeJobs(base, read, apart)!.readings![1]).toMatchObject({ id: 'M2', red: 'B' });
});

test('where both changed the network a person is asked, and whatever is chosen the readings of both stay', () => {
  const mine = take(withResistance('R2', 47_000), '3.65', '01:30.000');
  const theirs = take(withResistance('R3', 18_000), '6.37', '01:00.000');
  expect(mergeJobs(base, mine, theirs)).toBeNull();
  expect(mergeJobs(base, mine, theirs, 'mine').network).toEqual(mine.network);
  expect(mergeJobs(base, mine, theirs, 'theirs').network).toEqual(theirs.network);
  for (const counts of ['mine', 'theirs'] as const)
    expect(shown(mergeJobs(base, mine, theirs, counts))).toEqual(['M1 6.36', 'M2 6.37', 'M3 3.65']);
  // The same edit on both sides is no question.
  expect(mergeJobs(base, withResistance('R2', 47_000), withResistance('R2', 47_000))).not.toBeNull();
});

test('one reading that both went on with has the observations, remarks and strikes of both', () => {
  const again = { shown: '6.38', unit: 'V', at: '2026-11-27T09:05:00.000Z' };
  const mine = noteReading(addObservation(base, 'M1', again), 'M1', 'lamp on');
  const theirs = noteReading(
    addObservation(base, 'M1', { ...again, shown: '6.35', at: '2026-11-27T09:04:00.000Z' }),
    'M1',
    'door open',
  );
  const [merged] = mergeJobs(base, mine, theirs)!.readings!;
  expect(merged!.observations.map((one) => one.shown)).toEqual(['6.36', '6.35', '6.38']);
  expect(merged!.note).toBe('door open; lamp on');
  const struck = strikeReading(base, 'M1', 'lead was on C', '2026-11-27T09:06:00Z');
  const [both] = mergeJobs(base, mine, struck)!.readings!;
  expect([both!.struck?.why, both!.note, both!.observations.length]).toEqual(['lead was on C', 'lamp on', 2]);
});

test('an undone reading is gone, unless the other side went on with it', () => {
  const undone = divider;
  const theirs = take(base, '6.37', '01:00.000');
  expect(shown(mergeJobs(base, undone, theirs))).toEqual(['M2 6.37']);
  expect(shown(mergeJobs(base, theirs, undone))).toEqual(['M2 6.37']);
  expect(shown(mergeJobs(base, undone, noteReading(base, 'M1', 'kept')))).toEqual(['M1 6.36']);
});

test('without the common version nothing is taken away, and other edits are asked about', () => {
  const theirs = take(base, '6.37', '01:00.000');
  expect(shown(mergeJobs(null, take(divider, '3.65', '01:30.000'), theirs))).toEqual(['M1 6.36', 'M2 6.37', 'M3 3.65']);
  expect(mergeJobs(null, withResistance('R2', 1), theirs)).toBeNull();
});

test('ten thousand readings that all have the names of ten thousand others are joined at once', () => {
  const many = (by: string): Job => ({
    ...divider,
    version: 2,
    readings: Array.from({ length: 10_000 }, (_, k) => ({ ...reading(`M${k + 1}`, '1', `at ${k}`), by })),
  });
  const begun = performance.now();
  const merged = mergeJobs(divider, many('a'), many('b'))!;
  expect(new Set(merged.readings!.map(({ id }) => id)).size).toBe(20_000);
  expect(sameValue(mergeJobs(divider, many('a'), merged), merged)).toBe(true);
  // Minutes, where each is looked for among all.
  expect(performance.now() - begun).toBeLessThan(10_000);
});

test('the version follows what the joined job has', () => {
  const bare: Job = { format: 'usual-drag/job', version: 1, network: divider.network };
  expect(mergeJobs(bare, bare, take(bare, '1', '00:00.000'))!.version).toBe(2);
  expect(mergeJobs(base, divider, base)!.version).toBe(2);
});

/** Random edits of one job by several devices between two saves. */
const edits = fc.array(
  fc.oneof(
    fc.record({ kind: fc.constant('take' as const), value: fc.integer({ min: 0, max: 999 }) }),
    fc.record({ kind: fc.constant('observe' as const), value: fc.integer({ min: 0, max: 999 }) }),
    fc.record({ kind: fc.constant('note' as const), value: fc.integer({ min: 0, max: 999 }) }),
  ),
  { maxLength: 6 },
);

test('whatever two devices read, every observation of both is there once, in each one’s order', () => {
  fc.assert(
    fc.property(edits, edits, edits, (before, one, other) => {
      let clock = 0;
      const at = (): string => new Date(Date.UTC(2026, 10, 27) + (clock += 1000)).toISOString();
      const apply = (job: Job, list: typeof before): Job =>
        list.reduce((now, { kind, value }) => {
          const readings = now.readings ?? [];
          const target = readings[value % Math.max(1, readings.length)]?.id ?? '';
          const observation = { shown: String(value), unit: 'V', at: at() };
          if (kind === 'take')
            return addReading(now, { ...reading(nextReadingId(readings), '', ''), observations: [observation] });
          return kind === 'observe' ? addObservation(now, target, observation) : noteReading(now, target, `n${value}`);
        }, job);
      const start = apply(divider, before);
      const [mine, theirs] = [apply(start, one), apply(start, other)];
      const merged = mergeJobs(start, mine, theirs)!;
      const observed = (job: Job): string[] =>
        (job.readings ?? []).flatMap(({ observations }) => observations.map((o) => o.at!));
      const ids = (merged.readings ?? []).map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      expect([...observed(merged)].sort()).toEqual([...new Set([...observed(mine), ...observed(theirs)])].sort());
      const inOrder = (job: Job): string[] => (job.readings ?? []).map(({ observations }) => observations[0]!.at!);
      for (const side of [mine, theirs]) {
        const kept = inOrder(merged).filter((time) => inOrder(side).includes(time));
        expect(kept).toEqual(inOrder(side));
      }
      // Handed in again it changes nothing.
      expect(sameValue(mergeJobs(start, mine, merged), merged)).toBe(true);
    }),
  );
});
