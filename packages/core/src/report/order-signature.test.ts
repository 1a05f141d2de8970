import fc from 'fast-check';
import { orderHash, orderRecordHash, orderSignatures } from './order-signature.ts';
import type { Signature } from './signature.ts';

const [a, b, c] = ['a', 'b', 'c'].map((letter) => letter.repeat(64)) as [string, string, string];
const order = { number: 'SL-WO-2236', circuits: [a, b] };
const signature = (hash: string, more: Partial<Signature> = {}): Signature => ({
  hash,
  by: 'J. Marsh',
  at: '2026-11-30T09:00:00Z',
  sections: ['readings'],
  restored: ['Supply off'],
  kit: { [`meter-${hash[0]}`]: { assetTag: 'SL-207' } },
  order,
  ...more,
});

it('is the signatures of one signing, in the sequence of the circuits, with the notes on all instruments', () => {
  const [signed, ...others] = orderSignatures([signature(b), signature(a)], 'SL-WO-2236');
  expect(others).toEqual([]);
  expect(signed).toMatchObject({ by: 'J. Marsh', restored: ['Supply off'], hash: orderHash([a, b]) });
  expect(signed!.circuits.map(({ hash }) => hash)).toEqual([a, b]);
  expect(Object.keys(signed!.kit)).toEqual(['meter-a', 'meter-b']);
});

it('counts no signature on a circuit alone, of another order, or of a signing of which one is missing', () => {
  const { order: _, ...alone } = signature(b);
  expect(orderSignatures([signature(a), alone], 'SL-WO-2236')).toEqual([]);
  expect(orderSignatures([signature(a), signature(b)], 'SL-WO-2237')).toEqual([]);
  expect(orderSignatures([signature(a), signature(b, { at: '2026-11-30T09:00:01Z' })], 'SL-WO-2236')).toEqual([]);
  const three = { ...order, circuits: [a, b, c] };
  expect(orderSignatures([signature(a, { order: three }), signature(b, { order: three })], 'SL-WO-2236')).toEqual([]);
});

it('needs one signature for each circuit even if two are the same document', () => {
  const twice = { ...order, circuits: [a, a] };
  expect(orderSignatures([signature(a, { order: twice })], 'SL-WO-2236')).toEqual([]);
  const signed = orderSignatures([signature(a, { order: twice }), signature(a, { order: twice })], 'SL-WO-2236');
  expect(signed).toHaveLength(1);
  expect(signed[0]!.circuits).toHaveLength(2);
});

it('has the newest first', () => {
  const later = { at: '2026-11-30T10:00:00Z', by: 'A. Reed' };
  const signed = orderSignatures([signature(a), signature(b), signature(a, later), signature(b, later)], 'SL-WO-2236');
  expect(signed.map(({ by }) => by)).toEqual(['A. Reed', 'J. Marsh']);
});

test('property: hash and record hash depend on the sequence and on every circuit', () => {
  const hashes = fc.uniqueArray(fc.stringMatching(/^[0-9a-f]{64}$/), { minLength: 2, maxLength: 4 });
  let compared = 0;
  fc.assert(
    fc.property(hashes, (circuits) => {
      const turned = [...circuits.slice(1), circuits[0]!];
      expect(orderHash(turned)).not.toBe(orderHash(circuits));
      const record = (of: readonly string[]): string =>
        orderRecordHash({ circuits: of.map((hash) => signature(hash)) });
      expect(record(turned)).not.toBe(record(circuits));
      compared += 1;
    }),
    { numRuns: 40 },
  );
  expect(compared).toBe(40);
});
