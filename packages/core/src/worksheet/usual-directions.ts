import { solveCircuit, toNumber } from '../solver/index.ts';
import { circuitOf } from '../solver/index.ts';
import type { Worksheet } from './worksheet.ts';

/** Ω in a source that only shows directions, so that two in parallel do not contradict each other. */
const smallResistance = 1e-3;

/** Share of the largest current below which one has no direction. */
const noCurrent = 1e-25;

/** Circuits that are tried for the ways in which currents can go. */
const tries = 12;

/**
 * The way in which a circuit's one source drives every part, whatever the resistances: 1 if current goes from → to through a
 * part (out of `from` of the source) when the source's voltage is positive, −1 the other way about. Parts whose direction depends on
 * the resistances, as in the middle of a bridge, are left out.
 *
 * @returns null if there are several sources
 */
export function usualDirections({ network }: Worksheet): ReadonlyMap<string, 1 | -1> | null {
  if (network.elements.filter(({ kind }) => kind === 'source').length !== 1) return null;
  const seen = network.elements.map(() => new Set<number>());
  for (let turn = 1; turn <= tries; turn += 1) {
    const elements = network.elements.map(({ id, from, to, kind }, index) => {
      const ends = { id, from, to };
      // Spread over eight decades, without a pattern (multiples of the golden ratio).
      const decade = 8 * ((index * turn * 0.6180339887498949 + turn * 0.7548776662466927) % 1);
      return kind === 'source'
        ? ({ ...ends, kind, emf: 1, internalResistance: smallResistance } as const)
        : ({ ...ends, kind, resistance: 10 ** decade } as const);
    });
    const solved = solveCircuit(circuitOf({ elements }).circuit);
    if (!solved.ok) return null;
    const { currents } = solved.value;
    const largest = Math.max(...currents.map((i) => Math.abs(i?.hi ?? 0)));
    currents.forEach((current, index) => {
      const amperes = current ? toNumber(current) : 0;
      const out = network.elements[index]!.kind === 'source' ? -1 : 1;
      seen[index]!.add(Math.abs(amperes) <= noCurrent * largest ? 0 : Math.sign(amperes) * out);
    });
  }
  return new Map(
    network.elements.flatMap(({ id }, index): [string, 1 | -1][] => {
      const [direction, other] = [...seen[index]!];
      return other === undefined && direction !== 0 ? [[id, direction as 1 | -1]] : [];
    }),
  );
}
