import { isOhmic, type Element, type Load, type Network } from '../../network/index.ts';
import { ohms } from '../../quantity/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements, withResistance } from './changed-bench.ts';

/** A bad contact in series with a part; the value is its resistance, Ω, null before it is fitted. */
export type Contact = FaultOf<'contact', number | null>;

/** Contact resistances to try, Ω: hardly noticed, noticed, nearly open. */
const triedResistances = [10, 1000, 100_000];

const hasContact = (element: Element): boolean =>
  element.kind !== 'current-source' && (element.kind !== 'switch' || element.closed);

/** A bad contact: a resistance in series with a part. */
export const contact: CircuitFaultKind<Contact> = {
  of: 'circuit',
  changesPart: false,
  replacesTolerance: true,
  possible: (element) => (hasContact(element) ? [{ fault: 'contact', where: [element.id], value: null }] : []),
  tryable: (element) =>
    hasContact(element)
      ? triedResistances.map((value) => ({
          hypothesis: { fault: 'contact', where: [element.id], value },
          name: `bad contact, ${ohms(value, 3)}`,
        }))
      : [],
  apply: (bench, { where: [id], value }) => {
    const element = elementIn(bench.network, id);
    if (!element || value === null) return bench;
    if (element.kind !== 'load' || isOhmic(element))
      return withElements(bench, withContact(element, value, bench.network));
    return {
      instruments: bench.instruments,
      network: { ...bench.network, elements: withContactBehind(bench.network.elements, element, value) },
    };
  },
  sentence: ({ where: [id], value }) =>
    value === null ? `${id} has a bad contact.` : `${id} has a bad contact of ${ohms(value, 3)}.`,
  check: ({ where: [id] }) => `Move ${id} and its joints during the reading: a bad contact makes the display unstable.`,
};

/** A bad contact at a load's second end: a resistor of its own, because no single law describes the two together. */
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

/** Returns the id of a bad contact's own resistor, and of the node between it and its load. No part can have this id. */
export const contactName = (load: string): string => ` ${load} contact`;

/** An element with the contact's resistance added to its own. */
function withContact(element: Element, ohms: number, { values }: Network): Element {
  const { id, from, to } = element;
  switch (element.kind) {
    case 'resistor': {
      const own = values === 'measured' ? (element.measuredResistance ?? element.resistance) : element.resistance;
      // The contact has no tolerance: the part's own limits in Ω stay the same.
      const { tolerance } = element;
      const share = tolerance === undefined ? {} : { tolerance: (tolerance * element.resistance) / (own + ohms) };
      return { ...withResistance(element, own + ohms), ...share };
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
    case 'switch':
    case 'link':
    case 'current-source':
      return { id, from, to, kind: 'resistor', resistance: ohms };
  }
}
