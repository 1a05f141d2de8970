import { commonPoints, referenceOf, type Element, type Network, isSource, lawOf } from '../network/index.ts';
import { formatQuantity, ohms } from '../quantity/index.ts';
import { elementBranch, toNumber, type LoadLaw, type NetworkValues } from '../solver/index.ts';

/** A term of an equation, in letters and in numbers. */
interface Term {
  readonly symbol: string;
  readonly numbers: string;
  /** A leaving the point, V for a source's law; null if nothing determines it. */
  readonly value: number | null;
}

/** An equation whose terms add up to nothing. */
export interface NodeEquation {
  /** The point it is written for, with every node that wires make one with it; or the source whose law it is. */
  readonly about: string;
  readonly terms: readonly Term[];
  readonly unit: 'A' | 'V';
  /** Sum of the terms with the solved values; null if one is not determined. */
  readonly sum: number | null;
}

/**
 * The equations of a network as they are written by hand: for every point but the reference the currents that leave it add
 * up to nothing (Kirchhoff); for every ideal source what it holds between its terminals.
 *
 * @param values  the solved network, for the numbers and the sums
 */
export function nodeEquations(network: Network, values: NetworkValues): NodeEquation[] {
  const groups = commonPoints(network);
  const point = new Map(groups.flatMap((group) => group.map((node) => [node, group[0]!] as const)));
  const reference = point.get(referenceOf(network)!);
  const nodes = groups
    .filter((group) => group[0] !== reference)
    .map((group): NodeEquation => {
      const terms = network.elements.flatMap((element) =>
        leaving(element, group[0]!, point, reference!, network, values),
      );
      return { about: group.join(' = '), terms, unit: 'A', sum: sumOf(terms) };
    });
  const laws = network.elements
    .filter((element) => element.kind === 'source' && elementBranch(element, 0, 1).kind === 'ideal')
    .map((element): NodeEquation => {
      const emf = toNumber(elementBranch(element, 0, 1).emf);
      const terms = [
        potential(point.get(element.from)!, reference!, values, 1),
        potential(point.get(element.to)!, reference!, values, -1),
        { symbol: `−${element.id}`, numbers: `−${formatQuantity(emf, 'V', { trim: true })}`, value: 0 - emf },
      ].filter((term) => term.symbol !== '');
      return { about: element.id, terms, unit: 'V', sum: sumOf(terms) };
    });
  return [...nodes, ...laws];
}

function leaving(
  element: Element,
  at: string,
  point: ReadonlyMap<string, string>,
  reference: string,
  network: Network,
  values: NetworkValues,
): Term[] {
  const [from, to] = [point.get(element.from)!, point.get(element.to)!];
  if (from === to || (from !== at && to !== at)) return [];
  const sign = from === at ? 1 : -1;
  const other = from === at ? to : from;
  const branch = elementBranch(element, 0, 1, network.values);
  const of = values.elements[element.id];
  const given = isSource(element) ? -1 : 1;
  const value = of?.current == null ? null : sign * given * of.current + 0;
  switch (branch.kind) {
    case 'open':
      return [];
    case 'current':
      return [
        {
          symbol: `${sign * given > 0 ? '' : '−'}${element.id}`,
          numbers: formatQuantity(value, 'A', { trim: true }),
          value,
        },
      ];
    case 'ideal':
      return [{ symbol: `${sign * given > 0 ? '' : '−'}I(${element.id})`, numbers: formatQuantity(value, 'A'), value }];
    case 'resistance': {
      if (branch.law) return [ofLaw(element.id, branch.law, sign, of?.voltage ?? null, value)];
      const emf = toNumber(branch.emf) * sign;
      const here = potential(at, reference, values, 1);
      const there = potential(other, reference, values, -1);
      const drive = emf === 0 ? '' : ` ${emf > 0 ? '−' : '+'} ${formatQuantity(Math.abs(emf), 'V', { trim: true })}`;
      const driveSymbol = emf === 0 ? '' : ` ${sign > 0 ? '−' : '+'} ${element.id}`;
      const wrap = (text: string): string => (text.includes(' ') ? `(${text})` : text);
      const resistance = element.kind === 'source' ? `r(${element.id})` : element.id;
      return [
        {
          symbol: `${wrap(join(here.symbol, there.symbol) + driveSymbol)}/${resistance}`,
          numbers: `(${join(here.numbers, there.numbers)}${drive}) / ${ohms(toNumber(branch.resistance))}`,
          value,
        },
      ];
    }
  }
}

/** Returns the term of a load that is not ohmic: its law with numbers. */
function ofLaw(id: string, law: LoadLaw, sign: number, voltage: number | null, value: number | null): Term {
  const { ratedVoltage, ratedCurrent, curve } = law;
  const rated = {
    current: formatQuantity(ratedCurrent, 'A', { trim: true }),
    voltage: formatQuantity(ratedVoltage, 'V', { trim: true }),
  };
  const minus = (value ?? 0) < 0 ? '−' : '';
  return {
    symbol: `${sign > 0 ? '' : '−'}I(${id})`,
    numbers:
      value === 0 || voltage === null
        ? `${id} carries nothing`
        : minus + lawOf(curve).working(curve.values, rated, formatQuantity(Math.abs(voltage), 'V')),
    value,
  };
}

/** V of a point as a term; nothing for the reference. */
function potential(node: string, reference: string, values: NetworkValues, sign: 1 | -1): Term {
  if (node === reference) return { symbol: '', numbers: '', value: 0 };
  const v = values.nodes[node] ?? null;
  const minus = sign < 0 ? '−' : '';
  const printed = formatQuantity(v, 'V');
  return {
    symbol: `${minus}V(${node})`,
    numbers: sign < 0 && printed.startsWith('−') ? printed.slice(1) : minus + printed,
    value: v === null ? null : sign * v,
  };
}

function join(a: string, b: string): string {
  if (b === '') return a;
  if (a === '') return b;
  return b.startsWith('−') ? `${a} − ${b.slice(1)}` : `${a} + ${b}`;
}

const sumOf = (terms: readonly Term[]): number | null =>
  terms.reduce<number | null>((sum, { value }) => (sum === null || value === null ? null : sum + value), 0);
