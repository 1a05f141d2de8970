import {
  commonPoints,
  isOhmic,
  type Element,
  type ElementKind,
  type ElementOf,
  type Network,
  type Resistor,
} from '../network/index.ts';
import type { Given, SheetElement, Worksheet, WorksheetResult } from './worksheet.ts';

/**
 * A network as a worksheet with its values given. What joins nodes by wire is left out, its nodes under one name; an internal
 * resistance becomes a resistor of its own, a current source as a source whose current is given, and a load that is not ohmic as
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
  const elements = network.elements.flatMap((element) => {
    const { id, label } = element;
    const named = { id, from: at(element.from), to: at(element.to), ...(label !== undefined && { label }) };
    const sheet = (onSheet[element.kind] as OnSheet<Element>)(element, named, network.values === 'measured');
    if (sheet.given) givens.push(sheet.given);
    const { inside } = sheet;
    if (inside === undefined) return sheet.elements;
    const point = free(`${id}i`);
    return [
      ...sheet.elements.map((one): SheetElement => ({ ...one, from: point })),
      { id: point, kind: 'resistor', from: point, to: named.from, label: `inside ${id}`, resistance: inside } as const,
    ];
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

interface OnSheetResult {
  readonly elements: readonly SheetElement[];
  readonly given?: Given;
  /** Ω of an internal resistance, which the sheet has as a resistor of its own. */
  readonly inside?: number;
}

type OnSheet<E> = (
  element: E,
  named: Pick<SheetElement, 'id' | 'from' | 'to' | 'label'>,
  measured: boolean,
) => OnSheetResult;

const onSheet: { readonly [Kind in ElementKind]: OnSheet<ElementOf<Kind>> } = {
  resistor: ({ resistance, measuredResistance }, named, measured) => ({
    elements: [{ ...named, kind: 'resistor', resistance: (measured ? measuredResistance : undefined) ?? resistance }],
  }),
  load: (load, named) => ({
    elements: [
      { ...named, kind: 'resistor', ...(isOhmic(load) && { resistance: load.ratedVoltage / load.ratedCurrent }) },
    ],
  }),
  'current-source': ({ id, current }, named) => ({
    elements: [{ ...named, kind: 'source' }],
    given: { of: id, quantity: 'current', value: current },
  }),
  source: ({ emf, internalResistance = 0, cellsInSeries = 1, cellsInParallel = 1 }, named) => ({
    elements: [{ ...named, kind: 'source', emf: emf * cellsInSeries }],
    ...(internalResistance > 0 && { inside: (internalResistance * cellsInSeries) / cellsInParallel }),
  }),
  switch: () => ({ elements: [] }),
  link: () => ({ elements: [] }),
};

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
