import { builtInKit, instrumentForJob } from '../instrument/index.ts';
import type { Reading } from '../readings/index.ts';
import { read } from '../test/read-line.ts';
import { makePlan } from './make-plan.ts';
import { matchRows } from './match-rows.ts';

const network = read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');
const instruments = builtInKit.filter(({ id }) => id === 'digital-2000').map(instrumentForJob);
const plan = makePlan({ network, instruments }, 'checks');
if (!plan.ok) throw new Error(plan.fault.code);
const { steps } = plan.value;
const match = (text: string, readings: readonly Reading[] = []) =>
  matchRows(
    text.split('\n').map((line) => line.split('\t')),
    { steps, network, readings },
  );
/** A row as the step and the display that it was matched with. */
const one = (text: string): string => {
  const { matched, unmatched } = match(text);
  const [found] = matched;
  if (!found) return unmatched[0]!.message;
  const { step, observation, isReversed } = found;
  const place =
    step.quantity === 'dc-voltage'
      ? `${step.red}-${step.black}${isReversed ? ' reversed' : ''}`
      : step.quantity === 'resistance'
        ? step.element
        : step.ends.join();
  return `${place} ${observation.shown} ${observation.unit}`;
};

test.each([
  ['B to 0\t6.33 V', 'B-0 6.33 V'],
  ['B\t0\t6.33\tV', 'B-0 6.33 V'],
  ['B-0 6,33 V', 'B-0 6.33 V'],
  ['Voltage B to 0: 6.33 V', 'B-0 6.33 V'],
  ['V B 0 = 6.33', 'B-0 6.33 V'],
  ['B 6.33 V', 'B-0 6.33 V'],
  ['R2\t38.8 kΩ', 'R2 38.8 kΩ'],
  ['R2 38800 ohm', 'R2 38800 Ω'],
  ['R2\tOL', 'R2 OL kΩ'],
  ['0 to B −6.33 V', 'B-0 reversed -6.33 V'],
  ['R2 6.33 V', 'B-0 6.33 V'],
  ['R2 38.8 K', 'No value at the end of the row. Write the display last, for example 6.33 V.'],
  ['R2 38.8 Kohm', 'R2 38.8 kΩ'],
  ['R2 0.0388 MΩ', 'R2 0.0388 MΩ'],
  ['B to 0 6330 mV', 'B-0 6330 mV'],
  ['B to 0 6330000 \u03bcV', 'B-0 6330000 µV'],
])('%s belongs to its step', (text, found) => expect(one(text)).toBe(found));

test('a current belongs to the step that opens the circuit at its part; the number of a step is enough', () => {
  const step = steps.find((one) => one.do === 'read' && one.quantity === 'dc-current');
  if (step?.do !== 'read' || step.quantity !== 'dc-current') throw new Error('no current in the plan');
  const part = step.ends[0]!.split('.')[0]!;
  expect(one(`${part} 148 uA`)).toBe(`${step.ends.join()} 148 µA`);
  expect(one(`Current at ${step.node} into ${part} 148 µA`)).toBe(`${step.ends.join()} 148 µA`);
  expect(one(`Step ${steps.indexOf(step) + 1}\t148 µA`)).toBe(`${step.ends.join()} 148 µA`);
});

test.each([
  ['B to X 6.33 V', 'The circuit has no node and no part X.'],
  ['B to 0', 'No value at the end of the row. Write the display last, for example 6.33 V.'],
  ['6.33 V', 'No place before the value. Write the nodes, the part or the number of the step.'],
  ['99 6.33 V', 'Step 99 of the plan takes no reading.'],
  ['B to 0 148 µA', 'This step is read in V, not in A.'],
])('%s is listed with the reason', (text, message) => {
  const { matched, unmatched } = match(text);
  expect(matched).toEqual([]);
  expect(unmatched).toEqual([{ row: 1, text: text.replaceAll('\t', ' '), message }]);
});

test('a step takes one row, and none if it has a reading already; empty rows count and are skipped', () => {
  const { matched, unmatched } = match('B to 0 6.33 V\n\nB to 0 6.34 V');
  expect(matched.map(({ row }) => row)).toEqual([1]);
  expect(unmatched).toEqual([
    { row: 3, text: 'B to 0 6.34 V', message: 'An earlier row is for the same step. Keep one of them.' },
  ]);
  const reading: Reading = {
    id: 'M1',
    quantity: 'dc-voltage',
    instrument: 'digital-2000',
    range: '20 V',
    red: 'B',
    black: '0',
    observations: [{ shown: '6.33', unit: 'V' }],
  };
  expect(match('B to 0 6.33 V', [reading]).unmatched[0]!.message).toMatch(/^This step has a reading already\./);
});

test('every read step of the plan is found again by its number, and every voltage by its nodes', () => {
  const reads = steps.flatMap((step, index) => (step.do === 'read' ? [{ step, number: index + 1 }] : []));
  const rows = reads.map(({ step, number }) => [String(number), `${step.display} ${step.unit}`]);
  const { matched, unmatched } = matchRows(rows, { steps, network, readings: [] });
  // Node 0 has the name of no step.
  expect(unmatched).toEqual([]);
  expect(matched.map(({ step }) => step)).toEqual(reads.map(({ step }) => step));
  expect(matched.length).toBeGreaterThan(8);
});
