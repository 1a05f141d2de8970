import { paired, workedOut } from '../../test/meter-projects.ts';
import { assemblySteps, checkPoints, partsList, selectorPositions } from './build-sheet.ts';

test('check points: what to apply, where the needle stands, and what it may be off', () => {
  const { piece, sides } = workedOut({});
  const points = checkPoints(piece, sides[0]!).filter(({ range }) => range === 0.25);
  expect(points.map(({ applied }) => applied)).toEqual([0.05, 0.1, 0.15, 0.2, 0.25].map((a) => expect.closeTo(a, 14)));
  expect(points.map(({ deflection }) => deflection)).toEqual([10, 20, 30, 40, 50]);
  // Its arc is that of 25 mA and has the numbers of that.
  expect(points.map(({ reading }) => reading)).toEqual([5, 10, 15, 20, 25]);
  const worst = Math.max(...sides[0]!.result.asBuilt[1]!.worstCase.map(Math.abs));
  // 1.5 % of 50 divisions, and the parts' share of the reading.
  expect(points[4]!.tolerance).toBeCloseTo(0.75 + 50 * worst, 12);
  expect(points[0]!.tolerance).toBeCloseTo(0.75 + 10 * worst, 12);
  expect(points[2]!.movementCurrent).toBeCloseTo(6e-5, 16);
  const trimmed = { ...piece, parts: { ...piece.parts, trimmed: true } };
  expect(checkPoints(trimmed, sides[0]!)[0]!.tolerance).toBeCloseTo(1, 12);
});

test('the selector passes from off to the highest range first, and says what is joined', () => {
  const { sides } = workedOut({ sides: paired([0.001, 0.1], [2.5, 10]) });
  expect(selectorPositions(sides).map(({ name }) => name.replace(/\u00a0/g, ' '))).toEqual([
    'off',
    '100 mA',
    '1 mA',
    '10 V',
    '2.5 V',
  ]);
  expect(selectorPositions(sides)[1]!.joins).toBe('+ to the top of A1');
  expect(selectorPositions(sides)[2]!.joins).toBe('+ to the top of A2 (the whole shunt)');
  expect(selectorPositions(sides)[4]!.joins).toBe('+ to the far end of V1; the shunt stays across the movement');
});

test('the parts list has every resistor that was chosen, equal ones together', () => {
  const fuse = { rating: 3.15, resistance: 0.03 };
  const { piece, sides } = workedOut({
    fuse,
    movement: { figures: { fullScaleCurrent: 1e-4, resistance: 1800 }, swamping: 5200 },
  });
  const lines = partsList(piece, sides);
  const resistors = lines.filter(({ what }) => what === 'resistor');
  const count = sides[0]!.result.sections.reduce((sum, { parts }) => sum + parts.values.length, 0);
  expect(resistors.reduce((sum, line) => sum + line.count, 0)).toBe(count);
  expect(resistors.every(({ tolerance, powerRating }) => tolerance === 0.01 && powerRating === 0.25)).toBe(true);
  const others = lines.filter(({ section }) => section === 'meter').map(({ what }) => what.replace(/\u00a0/g, ' '));
  expect(others).toEqual(['movement', 'swamping resistor, manganin', 'fuse 3.15 A', 'selector, 4 positions']);
  const twice = workedOut({
    sides: [{ target: 'voltmeter', scheme: 'string', ranges: [2.18] }],
    parts: { series: 'E12', tolerance: 0.01, powerRating: 0.25, maxParts: 2, stock: [{ resistance: 10_000 }] },
  });
  expect(partsList(twice.piece, twice.sides)[1]).toMatchObject({
    section: 'V1',
    resistance: 10_000,
    count: 2,
    joined: 'series',
  });
  const trimmed = partsList({ ...piece, parts: { ...piece.parts, trimmed: true } }, sides);
  expect(trimmed.filter(({ what }) => what === 'trimmer')).toHaveLength(3);
});

test('the order of assembly keeps the movement shorted until the end, and closes the shunt before any tap is used', () => {
  const { piece, sides } = workedOut({ fuse: { rating: 3.15, resistance: 0.03 } });
  const steps = assemblySteps(piece, sides);
  expect(steps[0]).toContain('Short the movement');
  expect(steps.findIndex((step) => step.includes('Remove the short'))).toBe(steps.length - 2);
  expect(steps.findIndex((step) => step.startsWith('Close the shunt'))).toBeGreaterThan(
    steps.findIndex((step) => step.startsWith('A3')),
  );
  expect(steps.some((step) => step.includes('fuse of 3.15'))).toBe(true);
  const old = workedOut({
    movement: {
      figures: { fullScaleCurrent: 5, fullScaleVoltage: 0.075 },
      builtIn: { kind: 'shunt', resistance: 0.0150003, figuresOf: 'meter', stays: false },
    },
    sides: [{ target: 'ammeter', scheme: 'individual', ranges: [10, 20] }],
    parts: { ...piece.parts, trimmed: true },
  });
  const again = assemblySteps(old.piece, old.sides);
  expect(again[1]).toContain('Remove the shunt of');
  expect(again.some((step) => /trimmer of .* across it\. Set it to/.test(step))).toBe(true);
  expect(again.some((step) => step.includes('makes before it breaks'))).toBe(true);
});
