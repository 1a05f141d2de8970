import { instrumentForJob, kitFaults, rangesOf } from '../../instrument/index.ts';
import { paired, workedOut } from '../../test/meter-projects.ts';
import { instrumentOf, kitInstrumentOf } from './into-kit.ts';

test('in the kit it has the resistance of its parts and a class that holds their worst case', () => {
  const { piece, sides } = workedOut({});
  const kept = kitInstrumentOf(piece, sides, null, ['feed-current-panel-meter'], '2026-11-25');
  expect(kitFaults(kept)).toEqual([]);
  expect(kept.id).toBe('feed-current-panel-meter-2');
  const ranges = rangesOf(kept, 'dc-current');
  expect(ranges.map(({ id }) => id)).toEqual(['25 mA', '250 mA', '2.5 A']);
  const { sections, asBuilt } = sides[0]!.result;
  const shunt = sections.reduce((sum, { parts }) => sum + parts.resistance, 0);
  expect(ranges[0]!.resistance).toBeCloseTo((shunt * 1800) / (shunt + 1800), 9);
  expect(ranges[0]!.accuracyOfRange).toBeCloseTo(0.015 + Math.max(...asBuilt[0]!.worstCase.map(Math.abs)), 14);
});

test('fuse and trimmers count: more burden, and as good as it is set', () => {
  const fuse = { rating: 3.15, resistance: 0.03 };
  const plain = workedOut({});
  const { piece, sides } = workedOut({ fuse, parts: { ...plain.piece.parts, trimmed: true } });
  const ranges = rangesOf(instrumentOf(piece, sides), 'dc-current');
  ranges.forEach((range, k) => {
    expect(range.fuse).toBe(3.15);
    expect(range.resistance).toBeCloseTo(sides[0]!.result.ranges[k]!.meterResistance + 0.03, 12);
    expect(range.accuracyOfRange).toBeCloseTo(0.015 + 0.005, 14);
  });
});

test('an ammeter and voltmeter of one movement becomes one instrument of two functions', () => {
  const { piece, sides } = workedOut({ sides: paired([0.001, 0.1], [2.5, 10]) });
  const made = instrumentForJob(kitInstrumentOf(piece, sides, null, [], '2026-11-25'));
  expect(made.functions!.map(({ quantity }) => quantity)).toEqual(['dc-current', 'dc-voltage']);
  expect(rangesOf(made, 'dc-voltage')[1]!.resistance / 10_000).toBeCloseTo(1, 3);
});

test('put there again it is a new version under its id; what its owner noted stays', () => {
  const { piece, sides } = workedOut({});
  const first = kitInstrumentOf(piece, sides, null, [], '2026-11-25');
  expect(first.notes).toBe('Made in the workshop, version 1 of 2026-11-25.');
  const kept = {
    ...first,
    notes: `${first.notes} Dial scratched.`,
    assetTag: 'SL-311',
    calibratedOn: '2026-11-26',
    retired: true,
  };
  const again = workedOut({ instrument: { id: first.id, version: 1 }, movementClass: 0.02 });
  const second = kitInstrumentOf(again.piece, again.sides, kept, [first.id], '2026-12-01');
  expect(second).toMatchObject({ id: first.id, assetTag: 'SL-311', calibratedOn: '2026-11-26' });
  expect(second).not.toHaveProperty('retired');
  expect(second.notes).toBe('Made in the workshop, version 2 of 2026-12-01. Dial scratched.');
  expect(second.functions![0]!.ranges[0]!.accuracyOfRange).toBeCloseTo(
    first.functions![0]!.ranges[0]!.accuracyOfRange! + 0.005,
    14,
  );
  const reworded = kitInstrumentOf(again.piece, again.sides, { ...first, notes: 'Mine.' }, [], '2026-12-01');
  expect(reworded.notes).toBe('Made in the workshop, version 2 of 2026-12-01. Mine.');
  const nameless = kitInstrumentOf({ ...piece, title: '…' }, sides, null, [], '2026-11-25');
  expect(nameless.id).toBe('workshop-meter');
});
