import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkSteps, keysGiven, plain } from '../test/check-sheet.ts';
import { solveWorksheet } from './solve-worksheet.ts';
import type { Given, SheetValues, Worksheet, WorksheetResult } from './worksheet.ts';

interface Case {
  readonly worksheet: Worksheet;
  readonly values: Readonly<Record<string, SheetValues>> | null;
  readonly complete: boolean | null;
  readonly alternative?: Readonly<Record<string, SheetValues>>;
  readonly contradiction?: true;
}

const cases = readFileSync(join(__dirname, '../../vectors/worksheet.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line, index) => [index, JSON.parse(line) as Case] as const);

function solved(sheet: Worksheet): WorksheetResult {
  const result = solveWorksheet(sheet);
  if (!result.ok) throw new Error(result.fault.message);
  return result.value;
}

/** The values that differ by more than 1e-9, or are there in one set only. */
function differences(found: Case['values'], wanted: Case['values']): string[] {
  return Object.entries(wanted ?? {}).flatMap(([id, values]) =>
    Object.entries(values as unknown as Record<string, number | null>).flatMap(([quantity, value]) => {
      const own = (found?.[id] as unknown as Record<string, number | null> | undefined)?.[quantity];
      const same = own === value || (own != null && value !== null && Math.abs(own - value) <= 1e-9 * Math.abs(value));
      return same ? [] : [`${id}.${quantity}: ${own} for ${value}`];
    }),
  );
}

test.each(cases)('worked case %i gives the reference values, both sets where a power leaves two', (_, one) => {
  const result = solved(one.worksheet);
  if (one.contradiction) {
    expect(result.contradiction!.between.length).toBeGreaterThan(1);
    expect(keysGiven(one.worksheet)).toEqual(expect.arrayContaining([...result.contradiction!.between]));
    return;
  }
  expect(result.contradiction).toBeNull();
  expect(result.complete).toBe(one.complete);
  expect(result.missing.length === 0).toBe(one.complete);
  const sets = [result.values, result.alternative];
  const [first, second] = differences(result.values, one.values).length === 0 ? sets : [sets[1]!, sets[0]!];
  expect(differences(first!, one.values)).toEqual([]);
  expect(second === null).toBe(one.alternative === undefined);
  if (one.alternative) expect(differences(second!, one.alternative)).toEqual([]);
  expect(checkSteps(one.worksheet, result)).toEqual([]);
});

test.each(cases.filter(([, { contradiction }]) => contradiction))(
  'in case %i each given of the contradiction is needed for it',
  (_, { worksheet }) => {
    const { between } = solved(worksheet).contradiction!;
    const bare = {
      ...worksheet,
      network: { elements: worksheet.network.elements.map(({ id, kind, from, to }) => ({ id, kind, from, to })) },
    };
    const all = allGivens(worksheet);
    const among = (keys: readonly string[]) => all.filter(({ of, quantity }) => keys.includes(`${of}.${quantity}`));
    expect(solved({ ...bare, givens: among(between) }).contradiction).not.toBeNull();
    for (const key of between)
      expect(solved({ ...bare, givens: among(between.filter((other) => other !== key)) }).contradiction).toBeNull();
  },
);

const allGivens = ({ network, givens }: Worksheet): Given[] => [
  ...network.elements.flatMap((element): Given[] => {
    const value = element.kind === 'source' ? element.emf : element.resistance;
    return value === undefined
      ? []
      : [{ of: element.id, quantity: element.kind === 'source' ? 'voltage' : 'resistance', value }];
  }),
  ...givens,
];

/** R1 in series with R2 ∥ R3 on E1. */
const sheet = (...givens: readonly [string, number][]): Worksheet => ({
  format: 'usual-drag/worksheet',
  version: 1,
  network: {
    reference: '0',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0' },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B' },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0' },
      { id: 'R3', kind: 'resistor', from: 'B', to: '0' },
    ],
  },
  givens: givens.map(([key, value]) => {
    const [of, quantity] = key.split('.') as [string, Given['quantity']];
    return { of, quantity, value };
  }),
});

test('a sheet is worked as on paper: Ohm, then the same current, then what is left of the voltage', () => {
  const { steps, complete } = solved(
    sheet(['E1.voltage', 24], ['R1.voltage', 18], ['R1.resistance', 12_000], ['R2.current', 0.0005]),
  );
  expect(complete).toBe(true);
  expect({ ...steps[0], text: plain(steps[0]!.text) }).toEqual({
    of: 'R1',
    quantity: 'current',
    value: 0.0015,
    rule: 'ohm',
    from: ['R1.voltage', 'R1.resistance'],
    text: '18 V / 12 kΩ = 1.5 mA',
  });
  const at = (key: string) => steps.find(({ of, quantity }) => `${of}.${quantity}` === key)!;
  expect(at('R2.voltage')).toMatchObject({ rule: 'loop', value: 6 });
  expect(at('R3.current')).toMatchObject({ rule: 'junction', value: 0.001 });
  expect(at('R3.resistance').value).toBeCloseTo(6000, 9);
  expect(at('E1.power').value).toBeCloseTo(0.036, 12);
});

test('resistances alone give what the source sees, and nothing else', () => {
  const result = solved(sheet(['R1.resistance', 1000], ['R2.resistance', 6000], ['R3.resistance', 3000]));
  expect(result.values.E1).toEqual({ voltage: null, current: null, resistance: 3000, power: null });
  expect(result.steps).toHaveLength(1);
  expect(result.steps[0]).toMatchObject({
    rule: 'equivalent',
    from: ['R1.resistance', 'R2.resistance', 'R3.resistance'],
  });
  expect(plain(result.steps[0]!.text)).toContain('6 kΩ × 3 kΩ / (6 kΩ + 3 kΩ) = 2 kΩ');
  expect(result.missing).toHaveLength(1);
  expect(result.missing[0]).toMatch(/^E1\.(current|voltage)/);
});

test('what the source sees gives the one resistance that is not known', () => {
  const { values } = solved(sheet(['E1.resistance', 3000], ['R1.resistance', 1000], ['R2.resistance', 6000]));
  expect(values.R3!.resistance).toBeCloseTo(3000, 9);
  expect(values.R3!.voltage).toBeNull();
});

test('a power beside a known series resistance leaves two circuits; where they fall together, one', () => {
  const two = solved({ ...sheet(['E1.voltage', 12], ['R1.resistance', 6], ['R2.power', 4]), network: divider });
  const currents = [two.values.R1!.current, two.alternative!.R1!.current].map((i) => i!).sort();
  // 6·I² − 12·I + 4 = 0.
  expect(currents[0]).toBeCloseTo(1 - Math.sqrt(1 / 3), 12);
  expect(currents[1]).toBeCloseTo(1 + Math.sqrt(1 / 3), 12);
  const one = solved({ ...sheet(['E1.voltage', 12], ['R1.resistance', 6], ['R2.power', 6]), network: divider });
  expect(one.alternative).toBeNull();
  expect(one.values.R2!.resistance).toBeCloseTo(6, 6);
  const none = solved({ ...sheet(['E1.voltage', 12], ['R1.resistance', 6], ['R2.power', 7]), network: divider });
  expect(none.contradiction!.between).toEqual(['E1.voltage', 'R1.resistance', 'R2.power']);
});

const divider: Worksheet['network'] = {
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0' },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B' },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0' },
  ],
};

test('only powers and a resistance: the source is taken the right way round', () => {
  const { values } = solved({ ...sheet(['R1.power', 2], ['R1.resistance', 2], ['R2.power', 1]), network: divider });
  expect(values.E1).toMatchObject({ voltage: 3, current: 1, power: 3, resistance: 3 });
});

test('the powers of all resistors are the source’s, whatever the voltage', () => {
  const { values, steps } = solved({ ...sheet(['R1.power', 2], ['R2.power', 1]), network: divider });
  expect(values.E1).toEqual({ voltage: null, current: null, resistance: null, power: 3 });
  expect(steps).toHaveLength(1);
  expect(steps[0]).toMatchObject({ of: 'E1', quantity: 'power', rule: 'equations' });
});

test('the powers of two resistors at a known voltage in series, or at a known current in parallel, determine the circuit', () => {
  const series = solved({ ...sheet(['E1.voltage', 12], ['R1.power', 1], ['R2.power', 2]), network: divider });
  // I = (P1 + P2) / U, from Tellegen's theorem.
  expect(series).toMatchObject({ complete: true, missing: [] });
  expect(series.values.R1).toEqual({ voltage: 4, current: 0.25, resistance: 16, power: 1 });
  expect(series.values.R2).toEqual({ voltage: 8, current: 0.25, resistance: 32, power: 2 });
  const parallel = solved({
    ...sheet(['E1.current', 0.5], ['R1.power', 1], ['R2.power', 4]),
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0' },
        { id: 'R1', kind: 'resistor', from: 'A', to: '0' },
        { id: 'R2', kind: 'resistor', from: 'A', to: '0' },
      ],
    },
  });
  expect(parallel.complete).toBe(true);
  expect(parallel.values.R1).toEqual({ voltage: 10, current: 0.1, resistance: 100, power: 1 });
  expect(parallel.values.R2).toEqual({ voltage: 10, current: 0.4, resistance: 25, power: 4 });
});

test('givens that are rounded agree within half a per cent, and contradict each other beyond', () => {
  const given = (current: number) =>
    solved(sheet(['R1.voltage', 12], ['R1.resistance', 24], ['R1.current', current])).contradiction;
  expect(given(0.502)).toBeNull();
  expect(given(0.504)).toMatchObject({ between: ['R1.voltage', 'R1.resistance', 'R1.current'] });
  expect(plain(given(0.504)!.text)).toContain("give R1's current as 500 mA; 504 mA is given");
});

test('a resistance cannot be negative, given or found', () => {
  expect(solved(sheet(['R1.voltage', 12], ['R1.current', -0.5])).contradiction!.between).toEqual([
    'R1.voltage',
    'R1.current',
  ]);
  expect(solved(sheet(['R2.resistance', -5])).contradiction!.between).toEqual(['R2.resistance']);
});

test('a balanced bridge: no current means no voltage, and nothing of the resistance between', () => {
  const { values } = solved({
    ...sheet(
      ['E1.voltage', 10],
      ['R5.current', 0],
      ['R1.resistance', 100],
      ['R2.resistance', 400],
      ['R3.resistance', 50],
    ),
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0' },
        { id: 'R1', kind: 'resistor', from: 'A', to: 'B' },
        { id: 'R2', kind: 'resistor', from: 'B', to: '0' },
        { id: 'R3', kind: 'resistor', from: 'A', to: 'C' },
        { id: 'R4', kind: 'resistor', from: 'C', to: '0' },
        { id: 'R5', kind: 'resistor', from: 'B', to: 'C' },
      ],
    },
  });
  expect(values.R5).toEqual({ voltage: 0, current: 0, resistance: null, power: 0 });
  expect(values.R4!.resistance).toBeCloseTo(200, 9);
  expect(values.R4!.voltage).toBeCloseTo(8, 12);
});

test.each([['a part that is not there', [['R9.voltage', 1]] as const, 'invalid-value', 'R9']])(
  '%s is refused',
  (_, givens, code, where) => {
    const refused = solveWorksheet(sheet(...givens.map(([key, value]) => [key, value] as [string, number])));
    expect(refused).toMatchObject({ ok: false, fault: { code, where: [where] } });
  },
);

test('names that stand twice, a strange reference and an empty sheet are refused', () => {
  const base = sheet();
  const [first] = base.network.elements;
  const refusal = (network: Worksheet['network']) => {
    const result = solveWorksheet({ ...base, network });
    return result.ok ? null : result.fault.code;
  };
  expect(refusal({ elements: [first!, first!] })).toBe('duplicate-id');
  expect(refusal({ ...base.network, reference: 'Z' })).toBe('unknown-node');
  expect(refusal({ elements: [] })).toBe('invalid-value');
});
