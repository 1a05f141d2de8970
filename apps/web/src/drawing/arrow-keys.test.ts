import { parseLine } from '@usual-drag/core/network';
import { drawRails, type RailDrawing } from '@usual-drag/core/drawing';
import { isDirection, neighbour } from './arrow-keys.ts';

function draw(line: string): RailDrawing {
  const network = parseLine(line);
  if (!network.ok) throw new Error(network.fault.message);
  return drawRails({ network: network.value, truth: null, spacing: 'even', height: 400, width: 700 });
}
const drawing = draw('E1 24V: R1 56k + (R2 39k || R3 15k + R4 27k)');

test('up and down lead over the rails, left and right to the parts beside', () => {
  expect(neighbour(drawing, { part: 'R1', rail: null }, 'ArrowDown')).toMatchObject({ rail: 'B' });
  expect(neighbour(drawing, { part: 'R1', rail: null }, 'ArrowUp')).toMatchObject({ rail: 'A' });
  expect(neighbour(drawing, { part: 'R2', rail: null }, 'ArrowRight')?.part).toMatch(/R3|R4/);
  expect(neighbour(drawing, { part: 'R3', rail: null }, 'ArrowLeft')?.part).toBeDefined();
});

test('from a rail down to a part, and nothing beyond the edge', () => {
  expect(neighbour(drawing, { part: null, rail: '0' }, 'ArrowDown')).toBeNull();
  expect(neighbour(drawing, { part: null, rail: 'A' }, 'ArrowDown')).not.toBeNull();
  expect(neighbour(drawing, { part: 'E1', rail: null }, 'ArrowLeft')).toBeNull();
});

test('with nothing selected the first part is; other keys are not directions', () => {
  expect(neighbour(drawing, { part: null, rail: null }, 'ArrowDown')).toMatchObject({ part: 'E1' });
  expect(isDirection('ArrowUp')).toBe(true);
  expect(isDirection('Enter')).toBe(false);
});
