import { parseLine, type Network } from '@usual-drag/core/network';
import { solveUnloaded } from '@usual-drag/core/loading';
import { steadyDrawing } from './steady-drawing.ts';

function input(line: string, known?: Network) {
  const read = parseLine(line, known);
  if (!read.ok) throw new Error(read.fault.message);
  const solved = solveUnloaded(read.value);
  if (!solved.ok) throw new Error(solved.fault.code);
  return { network: read.value, truth: solved.value.values, loaded: null, meters: [], spacing: 'scale' as const };
}

const many = (value: string): string =>
  `E1 24V/1R8: ${Array.from({ length: 12 }, (_, k) => `(R${2 * k + 1} ${k === 0 ? value : '56k'} + R${2 * k + 2} 39k)`).join(' || ')}`;

test('a drawing that fits its room is as wide as it is', () => {
  const room = { width: 2000, height: 600 };
  const drawing = steadyDrawing()(input('E1 24V/1R8: R1 56k + R2 39k'), room);
  const again = steadyDrawing()(input('E1 24V/1R8: R1 56k + R2 39k'), room);
  expect(drawing.width).toBeLessThan(2000);
  expect(again.width).toBe(drawing.width);
});

test('while a label grows by a digit the sheet stays, and parts that are not touched stay the same objects', () => {
  const room = { width: 700, height: 400 };
  const draw = steadyDrawing();
  const before = draw(input(many('5')), room);
  expect(before.width).toBeGreaterThan(700);
  const states = ['56', '560', '5600', '560', '56'].map((value) => draw(input(many(value)), room));
  for (const { width, height } of states) {
    expect(width).toBe(before.width);
    expect(height).toBeGreaterThan(0);
  }
  // With the same text again every part is at its former place.
  const again = draw(input(many('56')), room);
  again.parts.forEach((part, k) => {
    const was = states[4]!.parts[k]!;
    expect([part.x, part.yTop, part.yBottom]).toEqual([was.x, was.yTop, was.yBottom]);
  });
});

test('in another room it is fitted anew', () => {
  const draw = steadyDrawing();
  const wide = draw(input(many('5k')), { width: 900, height: 400 });
  const low = draw(input(many('5k')), { width: 900, height: 700 });
  expect(low.height).toBeGreaterThan(wide.height);
});
