import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import type { Network } from '../../network/index.ts';
import { solveUnloaded } from '../../loading/index.ts';
import type { Design, DesignResult, Scheme } from './design.ts';
import { solveDesign } from './solve-design.ts';
import { runs } from '../../test/runs.ts';

const cases = readFileSync(join(__dirname, '../../../vectors/design.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as { design: Design; result: DesignResult & { error?: { code: string } } });

test.each(cases.map(({ design, result }) => [design.title!, design, result] as const))(
  'worked case %s agrees with exact arithmetic',
  (_title, design, wanted) => {
    const solved = solveDesign(design);
    if (wanted.error) return expect(solved.ok ? null : solved.fault.code).toBe(wanted.error.code);
    if (!solved.ok) throw new Error(solved.fault.message);
    const close = (found: number | null, exact: number | null): void => {
      if (exact === null) return expect(found).toBeNull();
      expect(Math.abs(found! - exact)).toBeLessThanOrEqual(1e-12 * Math.abs(exact));
    };
    expect(solved.value.ranges).toHaveLength(wanted.ranges.length);
    wanted.ranges.forEach((range, k) => {
      const found = solved.value.ranges[k]!;
      for (const key of ['range', 'resistance', 'meterResistance', 'burden', 'sensitivity', 'power'] as const)
        close(found[key], range[key]);
    });
    wanted.sections.forEach((section, k) => {
      close(solved.value.sections[k]!.resistance, section.resistance);
      close(solved.value.sections[k]!.power, section.power);
    });
  },
);

/** The finished meter on one range as a network: fed with its full scale, the movement last. */
function finished(design: Design, result: DesignResult, k: number): Network {
  const coil = design.movement.resistance!;
  const sections = result.sections.map(({ resistance }) => resistance);
  const { range } = result.ranges[k]!;
  if (design.target === 'voltmeter') {
    const through = design.scheme === 'string' ? sections.slice(0, k + 1) : [sections[k]!];
    const nodes = ['A', ...through.map((_, i) => (i === through.length - 1 ? 'M' : `N${i}`))];
    return {
      elements: [
        { id: 'E', kind: 'source', from: 'A', to: '0', emf: range },
        ...through.map((resistance, i) => ({
          id: `R${i}`,
          kind: 'resistor' as const,
          from: nodes[i]!,
          to: nodes[i + 1]!,
          resistance,
        })),
        { id: 'M', kind: 'resistor', from: 'M', to: '0', resistance: coil },
      ],
    };
  }
  // The tap is after as many sections from the common end as serve this range.
  const shunt = design.scheme === 'universal' ? sections.slice(0, sections.length - k) : [sections[k]!];
  const behind = design.scheme === 'universal' ? sections.slice(sections.length - k) : [];
  const chain = (list: readonly number[], from: string, to: string, name: string) =>
    list.map((resistance, i) => ({
      id: `${name}${i}`,
      kind: 'resistor' as const,
      from: i === 0 ? from : `${name}n${i}`,
      to: i === list.length - 1 ? to : `${name}n${i + 1}`,
      resistance,
    }));
  return {
    elements: [
      { id: 'J', kind: 'current-source', from: 'T', to: '0', current: range },
      ...chain(shunt, 'T', '0', 'S'),
      ...chain(behind, 'T', 'C', 'B'),
      { id: 'M', kind: 'resistor', from: behind.length > 0 ? 'C' : 'T', to: '0', resistance: coil },
    ],
  };
}

const movement = fc.record({
  fullScaleCurrent: fc.double({ min: -5.3, max: -2, noNaN: true }).map((d) => 10 ** d),
  resistance: fc.double({ min: 1, max: 4, noNaN: true }).map((d) => 10 ** d),
});
const factors = fc.uniqueArray(
  fc.integer({ min: 20, max: 5000 }).map((thousandths) => thousandths / 1000),
  { minLength: 1, maxLength: 6 },
);

test.each([
  ['ammeter', 'individual'],
  ['ammeter', 'universal'],
  ['voltmeter', 'individual'],
  ['voltmeter', 'string'],
] as const)('the movement of an %s with %s stands at exactly full scale on every range', (target, scheme) => {
  fc.assert(
    fc.property(movement, factors, (figures, decades) => {
      const own = target === 'ammeter' ? figures.fullScaleCurrent : figures.fullScaleCurrent * figures.resistance;
      const ranges = decades.map((decade) => own * 10 ** decade);
      const design = designOf(target, scheme, figures, ranges);
      const result = solveDesign(design);
      if (!result.ok) throw new Error(result.fault.message);
      result.value.ranges.forEach(({ meterResistance, burden }, k) => {
        const solved = solveUnloaded(finished(design, result.value, k));
        if (!solved.ok) throw new Error(solved.fault.code);
        const { elements } = solved.value.values;
        expect(Math.abs(elements.M!.current! / figures.fullScaleCurrent - 1)).toBeLessThan(1e-12);
        const terminals = elements[target === 'ammeter' ? 'J' : 'E']!;
        expect(Math.abs(terminals.voltage! / terminals.current! / meterResistance - 1)).toBeLessThan(1e-12);
        if (target === 'ammeter') expect(Math.abs(terminals.voltage! / burden! - 1)).toBeLessThan(1e-12);
      });
    }),
    { numRuns: runs(25) },
  );
});

function designOf(
  target: Design['target'],
  scheme: Scheme,
  figures: Design['movement'],
  ranges: readonly number[],
  parts: Partial<NonNullable<Design['parts']>> = {},
): Design {
  return {
    format: 'usual-drag/design',
    version: 1,
    target,
    scheme,
    movement: figures,
    ranges,
    parts: { series: 'E24', tolerance: 0.01, powerRating: 0.25, maxParts: 1, ...parts },
  };
}

const feed = { fullScaleCurrent: 1e-4, resistance: 1800 };

test('what cannot be is refused with its reason', () => {
  const fault = (design: Design) => {
    const solved = solveDesign(design);
    return solved.ok ? null : solved.fault;
  };
  expect(fault(designOf('ammeter', 'individual', feed, [1e-4]))!.code).toBe('range-too-low');
  expect(fault(designOf('voltmeter', 'string', feed, [0.18]))!.code).toBe('range-too-low');
  expect(fault(designOf('ammeter', 'universal', feed, [1, 1]))!.code).toBe('invalid-value');
  expect(fault(designOf('ammeter', 'string', feed, [1]))!.message).toContain('makes a voltmeter');
  expect(fault(designOf('voltmeter', 'universal', feed, [1]))!.code).toBe('invalid-value');
  const third = fault(designOf('ammeter', 'individual', { ...feed, fullScaleVoltage: 0.19 }, [1]))!;
  expect(third.code).toBe('movement-contradiction');
  expect(third.message).toContain('0.18 V');
  expect(fault(designOf('ammeter', 'individual', { ...feed, fullScaleVoltage: 0.18 * (1 + 1e-12) }, [1]))).toBeNull();
  expect(fault(designOf('ammeter', 'individual', { resistance: 10 }, [1]))!.code).toBe('invalid-value');
  expect(fault(designOf('ammeter', 'individual', feed, [-1]))!.where).toEqual(['ranges[0]']);
  expect(fault(designOf('ammeter', 'individual', feed, [1], { maxParts: 4 }))!.where).toEqual(['parts.maxParts']);
});

test('the error at full scale and its worst case, by hand', () => {
  // 1 V on 100 µA and 1.8 kΩ: 8.2 kΩ, which E24 has; 1 % of it high reads low.
  const exact = solveDesign(designOf('voltmeter', 'individual', feed, [1]));
  if (!exact.ok) throw new Error(exact.fault.message);
  const [built] = exact.value.asBuilt;
  expect(exact.value.sections[0]!.parts).toEqual({ values: [8200], joined: 'single', resistance: 8200 });
  expect(built!.fullScaleError).toBeCloseTo(0, 14);
  expect(built!.worstCase[0]).toBeCloseTo(10_000 / (8282 + 1800) - 1, 12);
  expect(built!.worstCase[1]).toBeCloseTo(10_000 / (8118 + 1800) - 1, 12);
  // A universal shunt: its tapped part 1 % high and the rest 1 % low reads most.
  const shunt = solveDesign(designOf('ammeter', 'universal', feed, [0.001, 0.01]));
  if (!shunt.ok) throw new Error(shunt.fault.message);
  const [tap, rest] = shunt.value.sections.map(({ parts }) => parts.resistance) as [number, number];
  const maximum = (0.01 * tap * 1.01) / (tap * 1.01 + rest * 0.99 + 1800) / 1e-4 - 1;
  expect(shunt.value.asBuilt[1]!.worstCase[1]).toBeCloseTo(maximum, 12);
  const low = (0.001 * (tap + rest) * 0.99) / ((tap + rest) * 0.99 + 1800) / 1e-4 - 1;
  expect(shunt.value.asBuilt[0]!.worstCase[0]).toBeCloseTo(low, 12);
});
