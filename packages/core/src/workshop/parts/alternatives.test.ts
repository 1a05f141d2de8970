import { workedOut } from '../../test/meter-projects.ts';
import { alternativesFor } from './alternatives.ts';

const off = (resistance: number, found: { readonly resistance: number } | null): number =>
  Math.abs(Math.log(found!.resistance / resistance));

test('each choice of more parts is at least as near, and the single one is the nearest of the series', () => {
  const { piece, sides } = workedOut({});
  for (const section of sides[0]!.result.sections) {
    const { upTo, trimmed } = alternativesFor(piece, section);
    expect(upTo.map((found) => found!.values.length)[0]).toBe(1);
    expect(off(section.resistance, upTo[1])).toBeLessThanOrEqual(off(section.resistance, upTo[0]));
    expect(off(section.resistance, upTo[2])).toBeLessThanOrEqual(off(section.resistance, upTo[1]));
    // Neighbours of E96 are 2.5 % apart at most.
    expect(off(section.resistance, upTo[0])).toBeLessThan(0.0125);
    expect(trimmed!.surely[0]).toBeLessThan(section.resistance * 0.976);
    expect(trimmed!.surely[1]).toBeGreaterThan(section.resistance * 1.024);
  }
});

test('of a stock only what lies in it', () => {
  const { piece } = workedOut({});
  const stock = [{ resistance: 10 }, { resistance: 22 }];
  const { upTo } = alternativesFor({ ...piece, parts: { ...piece.parts, stock } }, { resistance: 32 });
  expect(upTo.map((found) => found!.values)).toEqual([[22], [10, 22], [10, 22]]);
  const none = alternativesFor({ ...piece, parts: { ...piece.parts, stock: [] } }, { resistance: 32 });
  expect(none.upTo).toEqual([null, null, null]);
});
