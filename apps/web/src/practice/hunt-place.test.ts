import { parseLine } from '@usual-drag/core/network';
import { firstSpot, placeOf, spotWords, withPart, withRail } from './hunt-place.ts';

const line = parseLine('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');
if (!line.ok) throw new Error(line.fault.message);
const network = line.value;
const first = firstSpot(network);

test('a hunt begins across the supply', () => {
  expect(placeOf(first, network)).toMatchObject({ quantity: 'dc-voltage', red: 'A', black: '0' });
  expect(spotWords(first)).toBe('Red lead on A, black on 0');
});

test('rails that are picked take the red lead, then the black one, then the red one again', () => {
  const red = withRail(first, 'B');
  expect([red.red, red.black]).toEqual(['B', '0']);
  const black = withRail(red, 'C');
  expect([black.red, black.black]).toEqual(['B', 'C']);
  expect(withRail(black, 'A').red).toBe('A');
});

test('both leads on one node read nothing', () => {
  const same = withRail(first, '0');
  expect(placeOf(same, network)).toBeNull();
  expect(spotWords(same)).toBe('Both leads on one node');
});

test('a part that is picked is read across, in series or taken out, as the function is', () => {
  expect(placeOf(withPart(first, network, 'R3'), network)).toMatchObject({ red: 'B', black: 'C' });
  const current = withPart({ ...first, quantity: 'dc-current' }, network, 'R3');
  expect(placeOf(current, network)).toMatchObject({ quantity: 'dc-current', node: 'B', ends: ['R3.from'] });
  expect(spotWords(current)).toBe('In series with R3');
  const out = withPart({ ...first, quantity: 'resistance' }, network, 'R3');
  expect(placeOf(out, network)).toMatchObject({ quantity: 'resistance', element: 'R3' });
  // A source is not taken out to be measured.
  expect(withPart(out, network, 'E1').part).toBe('R3');
});
