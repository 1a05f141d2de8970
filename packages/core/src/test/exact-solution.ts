import { nodesOf, referenceOf, type Element, type Network } from '../network/index.ts';
import { isNought, minus, nought, one, over, plus, rational, times, toDouble, type Rational } from './rational.ts';

/**
 * An oracle that shares nothing with the solver: the full tableau of a network (a potential a node, a current an element)
 * in exact fractions, brought to reduced row-echelon form. What the equations do not determine is null.
 */
export interface ExactSolution {
  potential(node: string): Rational | null;
  voltage(id: string): Rational | null;
  /** from → to through the element, sources too. */
  current(id: string): Rational | null;
  /** Sum of the currents that run from a node into some ends; determined even if the single ones are not. */
  into(ends: readonly string[]): Rational | null;
}

/** @returns null if the equations contradict each other */
export function solveExactly(network: Network): ExactSolution | null {
  const nodes = nodesOf(network);
  const { elements } = network;
  const width = nodes.length + elements.length;
  const v = (node: string): number => nodes.indexOf(node);
  const i = (index: number): number => nodes.length + index;
  const rows: Rational[][] = [];
  const row = (terms: readonly (readonly [number, Rational])[], right: Rational): void => {
    const line: Rational[] = new Array<Rational>(width + 1).fill(nought);
    for (const [column, value] of terms) line[column] = plus(line[column]!, value);
    line[width] = right;
    rows.push(line);
  };
  const minusOne = minus(nought, one);
  for (const node of nodes)
    row(
      elements.flatMap(({ from, to }, index): [number, Rational][] => [
        ...(from === node ? ([[i(index), one]] as [number, Rational][]) : []),
        ...(to === node ? ([[i(index), minusOne]] as [number, Rational][]) : []),
      ]),
      nought,
    );
  elements.forEach((element, index) => {
    const law = lawOf(element, network.values);
    if ('current' in law) return row([[i(index), one]], law.current);
    row(
      [
        [v(element.from), one],
        [v(element.to), minusOne],
        [i(index), minus(nought, law.resistance)],
      ],
      law.emf,
    );
  });

  const pivots = reduce(rows, width);
  if (rows.some((line, index) => !pivots.has(index) && !isNought(line[width]!))) return null;
  const evaluate = (terms: readonly (readonly [number, Rational])[]): Rational | null => {
    const functional: Rational[] = new Array<Rational>(width).fill(nought);
    for (const [column, value] of terms) functional[column] = plus(functional[column]!, value);
    let value = nought;
    for (const [index, column] of pivots) {
      const factor = functional[column]!;
      if (isNought(factor)) continue;
      const line = rows[index]!;
      for (let k = 0; k < width; k += 1) functional[k] = minus(functional[k]!, times(factor, line[k]!));
      value = plus(value, times(factor, line[width]!));
    }
    return functional.every(isNought) ? value : null;
  };
  const find = (id: string): number => elements.findIndex((element) => element.id === id);
  return {
    potential: (node) =>
      evaluate([
        [v(node), one],
        [v(referenceOf(network)!), minusOne],
      ]),
    voltage: (id) =>
      evaluate([
        [v(elements[find(id)]!.from), one],
        [v(elements[find(id)]!.to), minusOne],
      ]),
    current: (id) => evaluate([[i(find(id)), one]]),
    into: (ends) =>
      evaluate(ends.map((end) => [i(find(end.split('.')[0]!)), end.endsWith('.from') ? one : minusOne] as const)),
  };
}

type Law = { readonly current: Rational } | { readonly resistance: Rational; readonly emf: Rational };

function lawOf(element: Element, values: Network['values']): Law {
  switch (element.kind) {
    case 'source': {
      const series = rational(element.cellsInSeries ?? 1);
      const strings = rational(element.cellsInParallel ?? 1);
      return {
        emf: times(series, rational(element.emf)),
        resistance: over(times(series, rational(element.internalResistance ?? 0)), strings),
      };
    }
    case 'resistor':
      return {
        emf: nought,
        resistance: rational((values === 'measured' ? element.measuredResistance : undefined) ?? element.resistance),
      };
    case 'load':
      return { emf: nought, resistance: over(rational(element.ratedVoltage), rational(element.ratedCurrent)) };
    case 'current-source':
      return { current: minus(nought, rational(element.current)) };
    case 'switch':
      return element.closed ? { emf: nought, resistance: nought } : { current: nought };
    case 'link':
      return { emf: nought, resistance: nought };
  }
}

/** Gauss–Jordan in place; the rows that became pivots, with their columns. */
function reduce(rows: Rational[][], width: number): Map<number, number> {
  const pivots = new Map<number, number>();
  let next = 0;
  for (let column = 0; column < width && next < rows.length; column += 1) {
    const found = rows.findIndex((line, index) => index >= next && !isNought(line[column]!));
    if (found === -1) continue;
    [rows[next], rows[found]] = [rows[found]!, rows[next]!];
    const pivot = rows[next]![column]!;
    rows[next] = rows[next]!.map((value) => over(value, pivot));
    rows.forEach((line, index) => {
      const factor = line[column]!;
      if (index === next || isNought(factor)) return;
      rows[index] = line.map((value, k) => minus(value, times(factor, rows[next]![k]!)));
    });
    pivots.set(next, column);
    next += 1;
  }
  return pivots;
}

/** Returns whether a computed value is the exact one to 1e-9, or to 1e-12 of the largest of its kind if it is tiny. */
export function agrees(computed: number | null, exact: Rational | null, largest: number): boolean {
  if (computed === null || exact === null) return computed === null && exact === null;
  const wanted = toDouble(exact);
  const off = Math.abs(computed - wanted);
  return off <= 1e-9 * Math.abs(wanted) || off <= 1e-12 * largest;
}
