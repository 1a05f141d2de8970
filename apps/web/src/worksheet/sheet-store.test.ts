import { addPart, firstSheet, give, moveEnd, openNetwork, openSheet, removePart, useSheet } from './sheet-store.ts';

const sheet = () => useSheet.getState().sheet;
const givens = () => sheet().givens.map(({ of, quantity, value }) => `${of} ${quantity} ${value}`);
const ids = () => sheet().network.elements.map(({ id }) => id);

beforeEach(() => useSheet.setState({ sheet: firstSheet, groups: 0 }));

test('a value is given, given anew and taken away, and the groups are asked for again', () => {
  useSheet.setState({ groups: 2 });
  give('R1', 'resistance', 4700);
  give('R1', 'current', 0.002);
  give('R1', 'resistance', 5600);
  expect(givens()).toEqual(['R1 current 0.002', 'R1 resistance 5600']);
  expect(useSheet.getState().groups).toBe(0);
  give('R1', 'current', null);
  expect(givens()).toEqual(['R1 resistance 5600']);
});

test('a new part gets the first free number and lies across the last part', () => {
  removePart('R2');
  addPart('resistor');
  addPart('source');
  expect(ids()).toEqual(['E1', 'R1', 'R3', 'R2', 'E2']);
  expect(sheet().network.elements.at(-1)).toMatchObject({ from: 'B', to: '0' });
});

test('a part that is removed takes its values along, and the reference if no part ends there', () => {
  give('R1', 'resistance', 4700);
  give('E1', 'voltage', 24);
  removePart('R1');
  expect(givens()).toEqual(['E1 voltage 24']);
  for (const id of ['E1', 'R2']) moveEnd(id, 'to', 'C');
  expect(sheet().network.reference).toBe('0');
  moveEnd('R3', 'to', 'C');
  expect(sheet().network).not.toHaveProperty('reference');
});

test('values on the parts of an opened sheet become its givens', () => {
  const { network } = firstSheet;
  const [source, first, ...rest] = network.elements;
  openSheet({
    ...firstSheet,
    network: {
      ...network,
      elements: [{ ...source!, kind: 'source', emf: 24 }, { ...first!, kind: 'resistor', resistance: 1000 }, ...rest],
    },
    givens: [{ of: 'R2', quantity: 'current', value: 0.01 }],
  });
  expect(givens()).toEqual(['E1 voltage 24', 'R1 resistance 1000', 'R2 current 0.01']);
  expect(sheet().network.elements[1]).not.toHaveProperty('resistance');
});

test('a network opens with an internal resistance as a resistor of its own', () => {
  openNetwork({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 1.5, internalResistance: 0.2, cellsInSeries: 2 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 10 },
    ],
  });
  expect(givens()).toEqual(['E1 voltage 3', 'E1i resistance 0.4', 'R1 resistance 10']);
});
