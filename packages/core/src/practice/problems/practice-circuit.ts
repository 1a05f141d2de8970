import type { Network, Resistor } from '../../network/index.ts';
import { formatQuantity, seriesValues } from '../../quantity/index.ts';
import type { Draw } from './draw.ts';
import type { Level } from './problem.ts';

/** Arrangement of resistors: one, or some in series or in parallel. */
export type Shape = 'part' | { readonly series: readonly Shape[] } | { readonly parallel: readonly Shape[] };

const part = 'part';

/** Circuits by how much there is to reduce. */
export const shapes: Readonly<Record<Level, readonly Shape[]>> = {
  1: [
    { series: [part, part] },
    { parallel: [part, part] },
    { series: [part, part, part] },
    { parallel: [part, part, part] },
  ],
  2: [
    { series: [part, { parallel: [part, part] }] },
    { parallel: [part, { series: [part, part] }] },
    { series: [part, { parallel: [part, part] }, part] },
    { parallel: [part, part, { series: [part, part] }] },
  ],
  3: [
    { series: [part, { parallel: [part, { series: [part, part] }] }] },
    { series: [part, { parallel: [part, part] }, { parallel: [part, part] }] },
    { series: [part, { parallel: [part, { series: [part, { parallel: [part, part] }] }] }] },
    { parallel: [{ series: [part, part] }, { series: [part, { parallel: [part, part] }] }] },
  ],
};

/** A circuit of the pumping station, with what its parts usually are. */
export interface Place {
  readonly name: string;
  readonly emfs: readonly number[];
  /** Powers of ten that its resistances lie at. */
  readonly decade: number;
}

/** Places of the plant from which problems take their names and sizes. */
export const places: readonly Place[] = [
  { name: 'Float-level divider SL-014', emfs: [12, 15, 24], decade: 4 },
  { name: 'Sluice-gate test board SL-031', emfs: [5, 9, 10], decade: 2 },
  { name: 'Level-loop simulator SL-052', emfs: [12, 18, 24], decade: 3 },
  { name: 'Pump-hall sensor string SL-067', emfs: [3, 5, 6], decade: 3 },
  { name: 'Tide-gauge panel SL-073', emfs: [9, 12, 28], decade: 4 },
];

/** A circuit of a shape on one ideal source E1 from A to 0, its resistors R1, R2 … from the top down, all different. */
export function drawCircuit(draw: Draw, shape: Shape, { emfs, decade }: Place): Network {
  const elements: Resistor[] = [];
  const used = new Set<number>();
  let nodes = 1;
  const value = (): number => {
    const mantissas = seriesValues('E12');
    let ohms: number;
    do ohms = Number(`${draw.pick(mantissas)}e${decade - (draw.share() < 0.3 ? 1 : 0)}`);
    while (used.has(ohms));
    used.add(ohms);
    return ohms;
  };
  const build = (one: Shape, from: string, to: string): void => {
    if (one === 'part') {
      const id = `R${elements.length + 1}`;
      elements.push({ id, kind: 'resistor', from, to, resistance: value(), tolerance: 0.01 });
      return;
    }
    if ('parallel' in one) {
      for (const item of one.parallel) build(item, from, to);
      return;
    }
    let at = from;
    one.series.forEach((item, k) => {
      const next = k === one.series.length - 1 ? to : letter(nodes++);
      build(item, at, next);
      at = next;
    });
  };
  build(shape, 'A', '0');
  return {
    reference: '0',
    elements: [{ id: 'E1', kind: 'source', from: 'A', to: '0', emf: draw.pick(emfs) }, ...elements],
  };
}

const letter = (index: number): string => String.fromCharCode(65 + index);

/** A circuit on one line: `R1 56 kΩ + (R2 39 kΩ ∥ R3 15 kΩ) on E1 24 V`. */
export function circuitWords(network: Network, shape: Shape): string {
  const resistors = network.elements.filter((element) => element.kind === 'resistor');
  let at = 0;
  const words = (one: Shape, isInside: boolean): string => {
    if (one === 'part') {
      const { id, resistance } = resistors[at++]!;
      return `${id} ${formatQuantity(resistance, 'Ω', { digits: 3, trim: true })}`;
    }
    const isSeries = 'series' in one;
    const text = (isSeries ? one.series : one.parallel).map((item) => words(item, true)).join(isSeries ? ' + ' : ' ∥ ');
    return isInside ? `(${text})` : text;
  };
  const source = network.elements.find((element) => element.kind === 'source');
  return `${words(shape, false)} on E1, ${formatQuantity(source?.emf ?? 0, 'V', { digits: 3, trim: true })}`;
}
