import type { Network } from '@usual-drag/core/network';
import {
  sheetOfNetwork,
  type Given,
  type SheetElement,
  type SheetQuantity,
  type Worksheet,
} from '@usual-drag/core/worksheet';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Worksheet whose values are all in its list of givens. */
type Sheet = Worksheet;

const part = (id: string, from: string, to: string): SheetElement => ({ id, kind: 'resistor', from, to });

/** A source, a resistor and two in parallel: enough for a first try. */
export const firstSheet: Sheet = {
  format: 'usual-drag/worksheet',
  version: 1,
  title: 'Worksheet',
  network: {
    reference: '0',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0' },
      part('R1', 'A', 'B'),
      part('R2', 'B', '0'),
      part('R3', 'B', '0'),
    ],
  },
  givens: [],
};

interface SheetStore {
  readonly sheet: Sheet;
  /** Number of the circuit's groups that were asked for. */
  readonly groups: number;
}

/** The worksheet on the page, kept in this browser. */
export const useSheet = create<SheetStore>()(
  persist((): SheetStore => ({ sheet: firstSheet, groups: 0 }), { name: 'usual-drag-worksheet' }),
);

/** Opens a sheet on the page; values of its parts are moved into its givens. */
export function openSheet({ network, givens, ...head }: Worksheet): void {
  const onParts = network.elements.flatMap((element): Given[] => {
    const value = element.kind === 'source' ? element.emf : element.resistance;
    const quantity = element.kind === 'source' ? 'voltage' : 'resistance';
    return value === undefined ? [] : [{ of: element.id, quantity, value }];
  });
  const elements = network.elements.map(({ id, kind, from, to, label }) => ({
    id,
    kind,
    from,
    to,
    ...(label !== undefined && { label }),
  }));
  const sheet = { ...head, network: { ...network, elements }, givens: [...onParts, ...givens] };
  useSheet.setState({ sheet, groups: 0 });
}

/** A network as a sheet, its sources and resistors given. */
export const openNetwork = (network: Network, title?: string): void => openSheet(sheetOfNetwork(network, title));

function edit(change: (sheet: Sheet) => Sheet): void {
  useSheet.setState(({ sheet }) => ({ sheet: change(sheet), groups: 0 }));
}

const withElements = (sheet: Sheet, elements: readonly SheetElement[]): Sheet => {
  const nodes = elements.flatMap(({ from, to }) => [from, to]);
  const { reference, ...network } = sheet.network;
  // A reference that no part is connected to any more is none.
  const kept = reference !== undefined && nodes.includes(reference) ? { reference } : {};
  return { ...sheet, network: { ...network, ...kept, elements } };
};

/** Gives a value; null takes it away again. */
export const give = (of: string, quantity: SheetQuantity, value: number | null): void =>
  edit((sheet) => {
    const others = sheet.givens.filter((one) => one.of !== of || one.quantity !== quantity);
    return { ...sheet, givens: value === null ? others : [...others, { of, quantity, value }] };
  });

export const moveEnd = (id: string, end: 'from' | 'to', node: string): void =>
  edit((sheet) =>
    withElements(
      sheet,
      sheet.network.elements.map((one) => (one.id === id ? { ...one, [end]: node } : one)),
    ),
  );

export const addPart = (kind: SheetElement['kind']): void =>
  edit((sheet) => {
    const letter = kind === 'source' ? 'E' : 'R';
    const ids = new Set(sheet.network.elements.map(({ id }) => id));
    let number = 1;
    while (ids.has(`${letter}${number}`)) number += 1;
    const last = sheet.network.elements.at(-1) ?? { from: 'A', to: '0' };
    return withElements(sheet, [
      ...sheet.network.elements,
      { id: `${letter}${number}`, kind, from: last.from, to: last.to },
    ]);
  });

export const removePart = (id: string): void =>
  edit((sheet) => ({
    ...withElements(
      sheet,
      sheet.network.elements.filter((one) => one.id !== id),
    ),
    givens: sheet.givens.filter(({ of }) => of !== id),
  }));
