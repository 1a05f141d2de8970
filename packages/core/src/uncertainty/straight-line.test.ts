import { straightLine } from './straight-line.ts';

test('exact points give the exact line', () => {
  const line = straightLine([1, 2, 5, 9].map((x) => ({ x: 1e6 + x, y: 3 * (1e6 + x) - 7 })))!;
  expect(line.slope).toBeCloseTo(3, 9);
  expect(line.intercept).toBeCloseTo(-7, 2);
  expect(line.worst).toBeLessThan(1e-9);
});

test('scattered points: the textbook values', () => {
  const line = straightLine([
    { x: 1, y: 1 },
    { x: 2, y: 2 },
    { x: 3, y: 2 },
  ])!;
  expect(line.slope).toBeCloseTo(0.5, 12);
  expect(line.intercept).toBeCloseTo(2 / 3, 12);
  // Residuals −1/6, 1/3, −1/6: variance 1/6, spread of x 2.
  expect(line.slopeUncertainty).toBeCloseTo(Math.sqrt(1 / 12), 12);
  expect(line.interceptUncertainty).toBeCloseTo(Math.sqrt((1 / 6) * (1 / 3 + 2)), 12);
});

test('no line through one point, or through points above each other', () => {
  expect(straightLine([{ x: 1, y: 1 }])).toBeNull();
  expect(
    straightLine([
      { x: 1, y: 1 },
      { x: 1, y: 2 },
    ]),
  ).toBeNull();
});

test('a line through the origin has an intercept of 0, not one of rounding', () => {
  const points = [1.5, 3, 4.5, 6].map((y) => ({ x: y / 680, y }));
  expect(straightLine(points)!.intercept).toBe(0);
});
