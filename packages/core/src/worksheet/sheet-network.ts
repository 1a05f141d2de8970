import { commonPoints, isOhmic, type Element, type Network, type Resistor } from '../network/index.ts';
import type { Given, SheetElement, Worksheet, WorksheetResult } from './worksheet.ts';

/**
 * A network as a worksheet with its values given. What joins nodes by wire is left out, its nodes under one name; an internal
 * resistance stands as a resistor of its own, a current source as a source whose current is given, and a load that is not ohmic as
 * a resistor of which nothing is given.
 */
export function sheetOfNetwork(network: Network, title?: string): Worksheet {
  const name = new Map(commonPoints(network).flatMap((group) => group.map((node) => [node, group[0]!] as const)));
  const at = (node: string): string => name.get(node) ?? node;
  const ids = new Set(network.elements.map(({ id }) => id));
  const free = (wanted: string): string => {
    let id = wanted;
    while (ids.has(id)) id += 'i';
    ids.add(id);
    return id;
  };
  const givens: Given[] = [];
  const elements = network.elements.flatMap((element): SheetElement[] => {
    const { id } = element;
    const ends = { from: at(element.from), to: at(element.to) };
    const named = element.label === undefined ? {} : { label: element.label };
    switch (element.kind) {
      case 'resistor': {
        const { measuredResistance } = element;
        const measured = network.values === 'measured' ? measuredResistance : undefined;
        return [{ id, kind: 'resistor', ...ends, ...named, resistance: measured ?? element.resistance }];
      }
      case 'load': {
        const { ratedVoltage, ratedCurrent } = element;
        return [
          {
            id,
            kind: 'resistor',
            ...ends,
            ...named,
            ...(isOhmic(element) && { resistance: ratedVoltage / ratedCurrent }),
          },
        ];
      }
      case 'current-source':
        givens.push({ of: id, quantity: 'current', value: element.current });
        return [{ id, kind: 'source', ...ends, ...named }];
      case 'source': {
        const { emf, internalResistance = 0, cellsInSeries = 1, cellsInParallel = 1 } = element;
        const whole = { id, kind: 'source', ...ends, ...named, emf: emf * cellsInSeries } as const;
        if (internalResistance === 0) return [whole];
        const inside = free(`${id}i`);
        return [
          { ...whole, from: inside },
          {
            id: inside,
            kind: 'resistor',
            from: inside,
            to: ends.from,
            label: `inside ${id}`,
            resistance: (internalResistance * cellsInSeries) / cellsInParallel,
          },
        ];
      }
      case 'switch':
      case 'link':
        return [];
    }
  });
  const { reference } = network;
  return {
    format: 'usual-drag/worksheet',
    version: 1,
    ...(title !== undefined && { title }),
    network: { ...(reference !== undefined && { reference: at(reference) }), elements },
    givens,
  };
}

/** A sheet that is complete as a network with the values found; null if a resistance or a source's voltage is still open. */
export function networkOfSheet({ network }: Worksheet, { values }: WorksheetResult): Network | null {
  const elements = network.elements.map(({ id, from, to, label, kind }): Element | null => {
    const ends = { id, from, to, ...(label !== undefined && { label }) };
    const { voltage, resistance } = values[id]!;
    if (kind === 'source') return voltage === null ? null : { ...ends, kind, emf: voltage };
    return resistance === null ? null : ({ ...ends, kind, resistance } satisfies Resistor);
  });
  const { reference } = network;
  return elements.some((element) => element === null)
    ? null
    : { ...(reference !== undefined && { reference }), elements: elements as Element[] };
}
