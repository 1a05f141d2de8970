import { recordHash, type Signature } from './signature.ts';

const signature: Signature = {
  hash: 'a'.repeat(64),
  by: 'J. Marsh',
  at: '2026-11-30T09:00:00Z',
  sections: ['result', 'readings'],
  restored: ['Supply off'],
  kit: {},
};

it('covers everything that is printed: document, signer, time, sections, ticks and calibration', () => {
  const own = recordHash(signature);
  expect(own).toMatch(/^[0-9a-f]{64}$/);
  const others: Signature[] = [
    { ...signature, hash: 'b'.repeat(64) },
    { ...signature, by: 'K. Marsh' },
    { ...signature, at: '2026-11-30T09:00:01Z' },
    { ...signature, sections: ['result'] },
    { ...signature, restored: [] },
    { ...signature, kit: { m: { calibratedOn: '2026-01-01' } } },
    { ...signature, order: { number: 'SL-WO-2236', circuits: ['a'.repeat(64)] } },
    { ...signature, order: { number: 'SL-WO-2236', circuits: ['a'.repeat(64), 'b'.repeat(64)] } },
  ];
  expect(new Set([own, ...others.map(recordHash)]).size).toBe(others.length + 1);
});

it('does not depend on the order of keys', () => {
  const reversed = Object.fromEntries(Object.entries(signature).reverse()) as unknown as Signature;
  expect(recordHash(reversed)).toBe(recordHash(signature));
});
