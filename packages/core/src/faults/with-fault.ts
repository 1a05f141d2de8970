import type { Instrument } from '../instrument/index.ts';
import { isOhmic, type Element, type Load, type Network } from '../network/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import type { Hypothesis } from './fault.ts';

/** A network and the instruments on it. */
export interface Bench {
  readonly network: Network;
  readonly instruments: readonly Instrument[];
}

/** The bench with a fault of the circuit in it; as it is for a fault of one reading. */
export function withFault(bench: Bench, { fault, where, value }: Hypothesis): Bench {
  const { network, instruments } = bench;
  const [first, second] = where.map((id) => network.elements.find((element) => element.id === id));
  const put = (...elements: readonly Element[]): Bench => ({
    instruments,
    network: {
      ...network,
      elements: network.elements.map((one) => elements.find(({ id }) => id === one.id) ?? one),
    },
  });
  if (fault === 'meter') {
    const { quantity, factor } = value as { readonly quantity: string; readonly factor: number };
    return {
      network,
      instruments: instruments.map((one) => (one.id === where[0] ? scaled(one, quantity, factor) : one)),
    };
  }
  if (!first) return bench;
  switch (fault) {
    case 'open':
      return put(openSwitch(first));
    case 'short':
      return put({ id: first.id, from: first.from, to: first.to, kind: 'link' });
    case 'decade':
      return first.kind === 'resistor' ? put(valued(first, first.resistance * (value as number))) : bench;
    case 'out-of-tolerance':
      return first.kind === 'resistor' ? put(valued(first, value as number)) : bench;
    case 'swapped':
      return first.kind === 'resistor' && second?.kind === 'resistor'
        ? put(
            { ...second, id: first.id, from: first.from, to: first.to },
            { ...first, id: second.id, from: second.from, to: second.to },
          )
        : bench;
    case 'contact':
      return first.kind === 'load' && !isOhmic(first)
        ? {
            instruments,
            network: { ...network, elements: withContactBehind(network.elements, first, value as number) },
          }
        : put(withContact(first, value as number, network));
    case 'supply-off':
      return put(driven(first, () => 0));
    case 'supply-reversed':
      return put(driven(first, (own) => -own));
    case 'supply-value':
      return first.kind === 'source' ? put({ ...first, emf: (value as number) / (first.cellsInSeries ?? 1) }) : bench;
    case 'supply-limited':
      return limited(bench, first, value as number);
    case 'switch':
      return first.kind === 'switch' ? put({ ...first, closed: !first.closed }) : bench;
    default:
      return bench;
  }
}

/** What is open stays in the network as an open switch: its nodes are still there. */
export const openSwitch = ({ id, from, to }: Element): Element => ({ id, from, to, kind: 'switch', closed: false });

/** A resistor that has another value whatever is written or was measured. */
function valued(resistor: Extract<Element, { kind: 'resistor' }>, resistance: number): Element {
  const { measuredResistance: _former, ...rest } = resistor;
  return { ...rest, resistance };
}

/** A bad contact at a load's second end: a resistor of its own, as no one law stands for the two. */
function withContactBehind(elements: readonly Element[], load: Load, resistance: number): Element[] {
  const id = contactName(load.id);
  return elements.flatMap((one): Element[] =>
    one.id === load.id
      ? [
          { ...load, to: id },
          { id, kind: 'resistor', from: id, to: load.to, resistance },
        ]
      : [one],
  );
}

/** The name of a bad contact's own resistor, and of the node between it and its load. No part can have it. */
export const contactName = (load: string): string => ` ${load} contact`;

function withContact(element: Element, ohms: number, { values }: Network): Element {
  const { id, from, to } = element;
  switch (element.kind) {
    case 'resistor': {
      const own = values === 'measured' ? (element.measuredResistance ?? element.resistance) : element.resistance;
      // The contact has no tolerance: what the part itself may be off stays what it is.
      const { tolerance } = element;
      const share = tolerance === undefined ? {} : { tolerance: (tolerance * element.resistance) / (own + ohms) };
      return { ...valued(element, own + ohms), ...share };
    }
    case 'load':
      return { id, from, to, kind: 'resistor', resistance: element.ratedVoltage / element.ratedCurrent + ohms };
    case 'source': {
      const { internalResistance = 0, cellsInSeries = 1, cellsInParallel = 1 } = element;
      return {
        id,
        from,
        to,
        kind: 'source',
        emf: element.emf * cellsInSeries,
        internalResistance: (internalResistance * cellsInSeries) / cellsInParallel + ohms,
      };
    }
    default:
      return { id, from, to, kind: 'resistor', resistance: ohms };
  }
}

function driven(element: Element, change: (own: number) => number): Element {
  if (element.kind === 'source') return { ...element, emf: change(element.emf) + 0 };
  return element.kind === 'current-source' ? { ...element, current: change(element.current) + 0 } : element;
}

/** A supply at its limit if more would flow with no meter connected. */
function limited(bench: Bench, source: Element, amps: number): Bench {
  const solved = solveUnloaded(bench.network);
  const current = solved.ok ? (solved.value.values.elements[source.id]?.current ?? 0) : 0;
  if (Math.abs(current) <= amps) return bench;
  const { id, from, to } = source;
  const held: Element = { id, from, to, kind: 'current-source', current: Math.sign(current) * amps };
  const elements = bench.network.elements.map((one) => (one.id === id ? held : one));
  return { ...bench, network: { ...bench.network, elements } };
}

function scaled(instrument: Instrument, quantity: string, factor: number): Instrument {
  const functions = (instrument.functions ?? []).map((one) =>
    one.quantity === 'resistance' || one.quantity !== quantity
      ? one
      : { ...one, ranges: one.ranges.map((range) => ({ ...range, resistance: range.resistance * factor })) },
  );
  return { ...instrument, functions };
}
