import fc from 'fast-check';
import { anyNetwork } from '../../test/random-network.ts';
import type { Element } from '../element.ts';
import { nodesOf, referenceOf, type Network } from '../network.ts';
import { parseLine, partPlaces } from './parse-line.ts';
import { readValues } from './part-text.ts';
import { writeLine, writeValues } from './write-line.ts';
import { read } from '../../test/read-line.ts';
import { runs } from '../../test/runs.ts';

/** The ends of every part: `R1 A B`. */
const ends = (network: Network): string[] => network.elements.map(({ id, from, to }) => `${id} ${from} ${to}`);

test('a source feeds what is in series and in parallel', () => {
  const network = read('E1 24V/1R8  R1 56k 1% + (R2 39k || R3 15k + R4 27k)');
  expect(ends(network)).toEqual(['E1 A 0', 'R1 A B', 'R2 B 0', 'R3 B C', 'R4 C 0']);
  expect(network.elements[0]).toEqual({
    id: 'E1',
    kind: 'source',
    from: 'A',
    to: '0',
    emf: 24,
    internalResistance: 1.8,
  });
  expect(network.elements[1]).toMatchObject({ kind: 'resistor', resistance: 56_000, tolerance: 0.01 });
  expect(read('E1 24V/1R8: R1 56k 1% + (R2 39k || R3 15k + R4 27k)')).toEqual(network);
});

test('named points make a bridge, and further branches', () => {
  const network = read('E1 10V/0.4: R1 350 @B R2 351.4 || R3 351.4 @C R4 350; @B R5 12k @C; @C R6 1M');
  expect(ends(network)).toEqual(['E1 A 0', 'R1 A B', 'R2 B 0', 'R3 A C', 'R4 C 0', 'R5 B C', 'R6 C 0']);
});

test('a further branch may speak of a point by the letter that it got by itself, and of the common', () => {
  expect(ends(read('E1 24V: R1 1k + R2 2k; @A R3 3k @B; @B R4 4k @0'))).toEqual([
    'E1 A 0',
    'R1 A B',
    'R2 B 0',
    'R3 A B',
    'R4 B 0',
  ]);
  const known = read('E1 24V: @P R1 1k @mid R2 2k');
  expect(ends(read('E1: R1 + R2; R3 5 @mid; @P R4 5', known))).toEqual([
    'E1 P 0',
    'R1 P mid',
    'R2 mid 0',
    'R3 P mid',
    'R4 P 0',
  ]);
});

test('parts without a name get one', () => {
  expect(ends(read('24V/1R8: 56k + (39k || 15k + 27k)'))).toEqual(
    ends(read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)')),
  );
});

test('every kind of part, with all that can be said of it', () => {
  const { elements } = read(
    'E1 2.1V/0R008 6s2p <500mA "SL-022 battery" + S1 closed + W1 link + ' +
      '(L1 12V 0.3A || L2 12V 120 mA polarised "sounder" || L3 12V 6W || R1 4.7 kΩ 5 % 0.25W =4k68) + S2 open || J1 12.8mA <22V',
  );
  expect(elements).toEqual([
    {
      id: 'E1',
      kind: 'source',
      from: 'A',
      to: 'B',
      emf: 2.1,
      internalResistance: 0.008,
      cellsInSeries: 6,
      cellsInParallel: 2,
      currentLimit: 0.5,
      label: 'SL-022 battery',
    },
    { id: 'S1', kind: 'switch', from: 'B', to: 'C', closed: true },
    { id: 'W1', kind: 'link', from: 'C', to: 'D' },
    { id: 'L1', kind: 'load', from: 'D', to: 'E', ratedVoltage: 12, ratedCurrent: 0.3 },
    {
      id: 'L2',
      kind: 'load',
      from: 'D',
      to: 'E',
      ratedVoltage: 12,
      ratedCurrent: 0.12,
      polarised: true,
      label: 'sounder',
    },
    { id: 'L3', kind: 'load', from: 'D', to: 'E', ratedVoltage: 12, ratedCurrent: 0.5 },
    {
      id: 'R1',
      kind: 'resistor',
      from: 'D',
      to: 'E',
      resistance: 4700,
      tolerance: 0.05,
      powerRating: 0.25,
      measuredResistance: 4680,
    },
    { id: 'S2', kind: 'switch', from: 'E', to: '0', closed: false },
    { id: 'J1', kind: 'current-source', from: 'A', to: '0', current: 0.0128, compliance: 22 },
  ] satisfies Element[]);
});

test('a part can be turned round, potentials given against a point, measured values worked with', () => {
  const network = read('E1 6V + ~E2 1.5V || R1 100; against @B; measured');
  expect(ends(network)).toEqual(['E1 A B', 'E2 0 B', 'R1 A 0']);
  expect(network.reference).toBe('B');
  expect(network.values).toBe('measured');
});

test.each([
  ['E1 24V: R1 56k R2 39k', 15, /Expected \+/],
  ['E1 24V: R1 56k + (R2 39k', 24, /Expected \+ .* or \)/],
  ['E1 24V: R1', 8, /R1 needs a value/],
  ['E1 24V: R1 0', 11, /above zero/],
  ['E1 24V: R1 56k 0.5A', 15, /Expected|not/],
  ['E1 24V: R1 56k + R1 39k', 17, /R1 already exists/],
  ['E1 24V: R1 56k @B + R2 39k @0; @B R3 1k @C @D', 43, /one point/],
  ['E1 24V: R1 56k) ', 14, /closes nothing/],
  ['R1 56k: R2 39k', 0, /Only a source/],
  ['E1 24V: R1 56k "top', 15, /closing quote/],
  ['E1 24V: R$ 56k', 8, /neither a name nor a value/],
  ['E1 24V: R1 56k; against @Z', 24, /No part ends on Z/],
  ['', 0, /Type a network/],
  ['E1 24V: R1 56k 1% 2%', 18, /twice/],
  ['E1 24V 5%: R1 56k', 7, /tolerance/],
])('a slip is shown where it is: %s', (line, at, message) => {
  const result = parseLine(line);
  expect(result.ok).toBe(false);
  if (result.ok) return;
  expect(result.fault.message).toMatch(message);
  expect(result.fault.at).toBe(at);
  expect(result.fault.length).toBeGreaterThan(0);
});

test('an edit of the line leaves alone what it does not speak of', () => {
  const known = read('E1 24V/1R8 <0.5A: R1 56k 1% 0.25W =56.21k "top arm" @mid R2 39k');
  const edited = read('E1 24V/1R8: R9 1k + R1 47k 1% + R2 39k', known);
  expect(ends(edited)).toEqual(['E1 A 0', 'R9 A B', 'R1 B mid', 'R2 mid 0']);
  expect(edited.elements.find((e) => e.id === 'R1')).toEqual({
    id: 'R1',
    kind: 'resistor',
    from: 'B',
    to: 'mid',
    resistance: 47_000,
    tolerance: 0.01,
    powerRating: 0.25,
    measuredResistance: 56_210,
    label: 'top arm',
  });
  expect(edited.elements[0]).toMatchObject({ currentLimit: 0.5 });
  expect(read('E1: R1 47k + R2', known).elements.map((element, i) => element === known.elements[i])).toEqual([
    true,
    false,
    true,
  ]);
});

test('a name alone stands for the part as it was, so that a network is rewired in a few strokes', () => {
  const known = read('E1 24V/1R8: R1 56k 1% + R2 39k + R3 15k');
  expect(ends(read('E1: R1 + (R2 || R3)', known))).toEqual(['E1 A 0', 'R1 A B', 'R2 B 0', 'R3 B 0']);
});

test('the brief line shows the circuit, without ratings and labels', () => {
  const network = read('E1 24V/1R8 <0.5A "feed": R1 56k 1% 0.25W + (R2 39k || R3 15k + R4 27k)');
  expect(writeLine(network, { brief: true })).toBe('E1 24V/1.8: R1 56k 1% + (R2 39k || R3 15k + R4 27k)');
});

test('a bridge is written as two arms and what joins them', () => {
  const line = 'E1 10V/400m: @A R1 350 @B R2 351.4 @0 || R3 351.4 @C R4 350; @B R5 12k @C';
  expect(ends(read(writeLine(read(line))))).toEqual(ends(read(line)));
  expect(writeLine(read(line))).toContain('R1 350 @B R2 351.4');
});

test('any network is written as a line that reads in again as the same network', () => {
  fc.assert(
    fc.property(
      anyNetwork,
      fc.record({ label: fc.option(fc.string(), { nil: undefined }), measured: fc.boolean(), at: fc.nat(20) }),
      (network, { label, measured, at }) => {
        const nodes = nodesOf(network);
        const dressed: Network = {
          ...(at < nodes.length && { reference: nodes[at]! }),
          ...(measured && { values: 'measured' as const }),
          elements: network.elements.map((element, index) => ({
            ...element,
            ...(label !== undefined && index === at % network.elements.length && { label }),
            ...(element.kind === 'resistor' && index % 3 === 0 && { tolerance: 0.05, powerRating: 0.25 }),
            ...(element.kind === 'resistor' && index % 4 === 0 && { measuredResistance: element.resistance * 1.017 }),
          })),
        };
        const line = writeLine(dressed);
        const again = parseLine(line);
        if (!again.ok) throw new Error(`${line}\n${again.fault.message} at ${again.fault.at}`);
        expect(sorted(again.value)).toEqual(sorted(dressed));
        expect(referenceOf(again.value)).toBe(referenceOf(dressed));
        expect(again.value.values).toBe(dressed.values);
      },
    ),
    { numRuns: runs(500) },
  );
});

const sorted = (network: Network): Element[] => [...network.elements].sort((a, b) => (a.id < b.id ? -1 : 1));

test('names that look like values or words are kept apart', () => {
  const network: Network = {
    elements: [
      { id: '24V', kind: 'source', from: 'against', to: '5', emf: 12 },
      { id: '4k7', kind: 'resistor', from: 'against', to: '5', resistance: 0.001 },
      { id: 'open', kind: 'switch', from: '5', to: '-', closed: true },
      { id: 'measured', kind: 'resistor', from: '5', to: '-', resistance: 1.1e-7 },
    ],
  };
  expect(sorted(read(writeLine(network)))).toEqual(sorted(network));
});

test('whatever is typed, it is read or refused, and never breaks', () => {
  const piece = fc.constantFrom(
    'E1',
    '24V',
    '/',
    '1R8',
    ':',
    '+',
    '||',
    '(',
    ')',
    '@',
    'B',
    ';',
    '~',
    '"a"',
    '5%',
    '#x',
    '<',
    '=',
    ' ',
    '6s',
    'open',
    'against',
  );
  fc.assert(
    fc.property(
      fc.array(fc.oneof({ weight: 9, arbitrary: piece }, { weight: 1, arbitrary: fc.string() }), { maxLength: 14 }),
      (pieces) => {
        const line = pieces.join(' ');
        const result = parseLine(line);
        if (!result.ok) expect(result.fault.at).toBeLessThanOrEqual(line.length);
        else expect(result.value.elements.length).toBeGreaterThan(0);
      },
    ),
    { numRuns: runs(2000) },
  );
});

test('values typed in place: the name, the ends and what is not spoken of stay, the kind follows', () => {
  const part: Element = {
    id: '4k7',
    kind: 'resistor',
    from: 'B',
    to: 'B',
    resistance: 1000,
    powerRating: 0.5,
    label: 'x',
  };
  expect(readValues(part, '47k 1%')).toEqual({
    ok: true,
    value: { ...part, resistance: 47_000, tolerance: 0.01 },
  });
  expect(readValues(part, '12V 0.3A')).toEqual({
    ok: true,
    value: { id: '4k7', kind: 'load', from: 'B', to: 'B', ratedVoltage: 12, ratedCurrent: 0.3, label: 'x' },
  });
  expect(readValues(part, '47k 1K')).toMatchObject({ ok: false, fault: { at: 4 } });
  expect(readValues(part, '1k @C R2 5').ok).toBe(false);
  expect(writeValues(part)).toBe('1k');
});

test('the places of parts in a line', () => {
  const line = 'E1 24V/1R8: R1 56k 1% + (R2 39k || ~R3 15k)';
  expect(partPlaces(line).map(({ id, at, length }) => [id, line.slice(at, at + length)])).toEqual([
    ['E1', 'E1 24V/1R8'],
    ['R1', 'R1 56k 1%'],
    ['R2', 'R2 39k'],
    ['R3', 'R3 15k'],
  ]);
  expect(partPlaces('R1 +')).toEqual([]);
});
