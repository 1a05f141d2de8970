import { deviationOf } from './deviation.ts';
import { addElement, newElement, nextElementId, nextNode, removeElement, replaceElement } from './edits/edits.ts';
import type { Element } from './element.ts';
import { limitViolation } from './limit.ts';
import { endsAt, nodesOf, referenceOf, type Network } from './network.ts';
import { networkFaults } from './validation.ts';

const divider: Network = {
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 1.8 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 56_000 },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 39_000 },
  ],
};

test('nodes are what parts end on, in the order of mention', () => {
  expect(nodesOf(divider)).toEqual(['A', '0', 'B']);
  expect(endsAt(divider, 'B')).toEqual(['R1.to', 'R2.from']);
});

test('potentials are against the − terminal of the first source unless a reference is chosen', () => {
  expect(referenceOf(divider)).toBe('0');
  expect(referenceOf({ ...divider, reference: 'B' })).toBe('B');
  expect(referenceOf({ elements: [divider.elements[1]!] })).toBe('B');
});

test('a sound network has no faults', () => {
  expect(networkFaults(divider)).toEqual([]);
});

test('every fault names the part and what to change', () => {
  const faults = networkFaults({
    reference: 'Z',
    elements: [
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: -5 },
      { id: 'R1', kind: 'resistor', from: 'B', to: 'C', resistance: 5 },
      { id: 'S 1', kind: 'switch', from: 'A', to: 'C', closed: true },
      { id: 'E1', kind: 'source', from: 'A', to: 'C', emf: 1.5, cellsInSeries: 1.5 },
    ],
  });
  expect(faults.map(({ code, where }) => [code, ...where])).toEqual([
    ['invalid-value', 'R1'],
    ['invalid-value', 'S 1'],
    ['invalid-value', 'E1'],
    ['duplicate-id', 'R1'],
    ['unknown-node', 'Z'],
  ]);
  expect(faults[0]!.message).toBe('R1: the resistance must be above zero.');
});

test('an empty network says what to do', () => {
  expect(networkFaults({ elements: [] })[0]!.message).toMatch(/Add at least one/);
});

test.each([
  ['positive', 0, false],
  ['positive', 1e-9, true],
  ['not-negative', 0, true],
  ['not-negative', -1e-9, false],
  ['count', 0, false],
  ['count', 2.5, false],
  ['count', 3, true],
  ['any', -7, true],
  ['any', Number.POSITIVE_INFINITY, false],
] as const)('limit %s takes %p: %p', (limit, value, within) => {
  expect(limitViolation(limit, value) === null).toBe(within);
});

test('adding and removing an element undo each other', () => {
  const extra: Element = { id: 'R3', kind: 'resistor', from: 'B', to: '0', resistance: 10 };
  expect(removeElement(addElement(divider, extra), 'R3')).toEqual(divider);
});

test('replacing an element and putting it back leaves the network as it was', () => {
  const changed = replaceElement(divider, 'R2', { ...divider.elements[2]!, to: 'C' });
  expect(nodesOf(changed)).toContain('C');
  expect(replaceElement(changed, 'R2', divider.elements[2]!)).toEqual(divider);
});

test('the last part cannot be removed', () => {
  const single: Network = { elements: [divider.elements[0]!] };
  expect(removeElement(single, 'E1')).toBe(single);
});

test('a chosen reference that an edit takes away falls back to the customary one', () => {
  const without = removeElement(removeElement({ ...divider, reference: 'B' }, 'R1'), 'R2');
  expect(without.reference).toBeUndefined();
  expect(networkFaults(without)).toEqual([]);
});

test('new parts and nodes take the next free name', () => {
  expect(nextElementId(divider, 'resistor')).toBe('R3');
  expect(nextElementId(divider, 'current-source')).toBe('J1');
  expect(nextNode(divider)).toBe('C');
  expect(newElement(divider, 'load')).toMatchObject({ id: 'L1', from: 'B', to: '0' });
  for (const kind of ['source', 'resistor', 'current-source', 'load', 'switch', 'link'] as const)
    expect(networkFaults(addElement(divider, newElement(divider, kind)))).toEqual([]);
});

test('a measured value against its tolerance', () => {
  const part = { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 15_000 } as const;
  expect(deviationOf(part)).toBeNull();
  expect(deviationOf({ ...part, measuredResistance: 15_900, tolerance: 0.05 })).toEqual({
    ratio: expect.closeTo(0.06, 12) as number,
    within: false,
  });
  expect(deviationOf({ ...part, measuredResistance: 15_750, tolerance: 0.05 })!.within).toBe(true);
  expect(deviationOf({ ...part, measuredResistance: 15_750 })!.within).toBeNull();
});
