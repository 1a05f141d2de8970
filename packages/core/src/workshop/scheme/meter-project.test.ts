import fc from 'fast-check';
import { solveUnloaded } from '../../loading/index.ts';
import type { Element } from '../../network/index.ts';
import { toNumber } from '../../solver/index.ts';
import { usualParts } from './design.ts';
import { movementCheck } from '../build/finished-meter.ts';
import { designOfSide, solveMeterProject, meterProjectOf, type MeterProject } from './meter-project.ts';
import { runs } from '../../test/runs.ts';

const [im, rm] = [1e-4, 1800];

const both: MeterProject = {
  id: 'test',
  title: 'Test meter',
  movement: { figures: { fullScaleCurrent: im, resistance: rm } },
  movementClass: 0.015,
  divisions: 50,
  sides: [
    { target: 'voltmeter', scheme: 'string', ranges: [10, 2.5], across: 'shunt' },
    { target: 'ammeter', scheme: 'universal', ranges: [0.001, 0.1] },
  ],
  parts: usualParts,
  dial: { radius: 60, sweep: 90 },
};

function worked(of: MeterProject) {
  const solved = solveMeterProject(of);
  if (!solved.ok) throw new Error(solved.fault.message);
  return solved.value;
}

test('a voltmeter on a universal shunt has the sensitivity of the lowest current range', () => {
  const [amps, volts] = worked(both);
  expect(amps!.design.target).toBe('ammeter');
  expect(toNumber(volts!.movement.current)).toBeCloseTo(1e-3, 15);
  expect(toNumber(volts!.movement.voltage)).toBeCloseTo(0.18, 14);
  for (const { sensitivity } of volts!.result.ranges) expect(sensitivity).toBeCloseTo(1000, 8);
  // On the movement alone it has the movement's own.
  const alone = worked({ ...both, sides: [{ ...both.sides[0]!, across: 'movement' }, both.sides[1]!] })[1]!;
  for (const { sensitivity } of alone.result.ranges) expect(sensitivity).toBeCloseTo(10_000, 7);
});

test('the whole meter solved as one network: coil at full scale behind shunt and string', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 3, noNaN: true }),
      fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 3 }),
      (decade, tenths) => {
        const lowest = im * 10 ** decade;
        const ranges = tenths.map((tenth) => 0.18 * 10 ** (tenth / 10)).sort((a, b) => a - b);
        const [amps, volts] = worked({
          ...both,
          sides: [
            { target: 'ammeter', scheme: 'universal', ranges: [lowest, 30 * lowest] },
            { target: 'voltmeter', scheme: 'string', ranges, across: 'shunt' },
          ],
        });
        const shunt = amps!.result.sections.reduce((sum, { resistance }) => sum + resistance, 0);
        ranges.forEach((range, at) => {
          const string = volts!.result.sections.slice(0, at + 1).reduce((sum, { resistance }) => sum + resistance, 0);
          const resistor = (id: string, from: string, resistance: number, to = '0'): Element => ({
            id,
            kind: 'resistor',
            from,
            to,
            resistance,
          });
          const solved = solveUnloaded({
            elements: [
              { id: 'E', kind: 'source', from: 'A', to: '0', emf: range },
              resistor('V', 'A', string, 'B'),
              resistor('S', 'B', shunt),
              resistor('M', 'B', rm),
            ],
          });
          if (!solved.ok) throw new Error(solved.fault.code);
          expect(Math.abs(solved.value.values.elements.M!.current! / im - 1)).toBeLessThan(1e-12);
        });
        const sections = volts!.result.sections.map(({ resistance }) => resistance);
        const check = movementCheck(volts!.design, volts!.movement, ranges, sections);
        expect(check.ok && Math.max(...check.value.map(Math.abs))).toBeLessThan(1e-12);
      },
    ),
    { numRuns: runs(40) },
  );
});

test('the shunt’s own tolerance counts in the voltmeter’s worst case', () => {
  const [amps, volts] = worked(both);
  const shunt = amps!.result.sections.reduce((sum, { parts }) => sum + parts.resistance, 0);
  const string = volts!.result.sections[0]!.parts.resistance;
  // By hand for the 2.5 V range: 1 % on every part, the movement exact.
  const errorAt = (r: number, s: number): number => {
    const coilVolts = (2.5 * ((r * rm) / (r + rm))) / (s + (r * rm) / (r + rm));
    return coilVolts / rm / im - 1;
  };
  const corners = [0.99, 1.01].flatMap((a) => [0.99, 1.01].map((b) => errorAt(shunt * a, string * b)));
  const [low, high] = volts!.result.asBuilt[0]!.worstCase;
  expect(low).toBeCloseTo(Math.min(...corners), 12);
  expect(high).toBeCloseTo(Math.max(...corners), 12);
  expect(volts!.result.asBuilt[0]!.fullScaleError).toBeCloseTo(errorAt(shunt, string), 12);
});

test('a design comes in and goes out as it was', () => {
  const design = designOfSide(both, both.sides[1]!);
  if (!design.ok) throw new Error(design.fault.message);
  expect(design.value).toMatchObject({ target: 'ammeter', movement: { fullScaleCurrent: im, resistance: rm } });
  const again = meterProjectOf('again', design.value);
  const out = designOfSide(again, again.sides[0]!);
  expect(out.ok && out.value).toEqual(design.value);
});

test('both sides share one stock: what the first took is not there for the second', () => {
  const stock = [{ resistance: 9000, count: 1 }, { resistance: 200 }, { resistance: 9300 }, { resistance: 2 }];
  const movement = { figures: { fullScaleCurrent: 1e-3, resistance: 1000 } };
  const sides: MeterProject['sides'] = [
    { target: 'ammeter', scheme: 'individual', ranges: [0.0011111] },
    { target: 'voltmeter', scheme: 'string', ranges: [10] },
  ];
  const [amps, volts] = worked({ ...both, movement, sides, parts: { ...usualParts, maxParts: 1, stock } });
  expect(amps!.result.sections[0]!.parts.values).toEqual([9000]);
  expect(volts!.result.sections[0]!.parts.values).toEqual([9300]);
});

test('what cannot be made says why', () => {
  const empty = solveMeterProject({ ...both, parts: { ...usualParts, stock: [] } });
  expect(empty.ok ? '' : empty.fault.message).toContain('stock is empty');
  const low = solveMeterProject({ ...both, sides: [{ target: 'ammeter', scheme: 'universal', ranges: [im] }] });
  expect(low.ok ? '' : low.fault.code).toBe('range-too-low');
});
