import type { Network } from '@usual-drag/core/network';
import { findRange, rangesOf, readingUncertainty, shownOn, type Instrument } from '@usual-drag/core/instrument';
import { solveUnloaded } from '@usual-drag/core/loading';
import { expectationOf, type Reading } from '@usual-drag/core/readings';

/** Numbers that are the same in every run (Park and Miller). */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

export const digital: Instrument = {
  id: 'digital',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [0.2, 2, 20, 200].map((v) => ({ ...digits(`${v} V`, v, 0.005), resistance: 1e7 })),
    },
    {
      quantity: 'dc-current',
      ranges: [2e-4, 2e-3, 2e-2, 0.2].map((a) => ({ ...digits(`${a} A`, a, 0.01), resistance: 0.2 / a, fuse: 0.5 })),
    },
  ],
};

export const needle: Instrument = {
  id: 'needle',
  display: 'analogue',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [2.5, 10, 50].map((v) => ({
        id: `${v} V`,
        fullScale: v,
        resistance: v * 20_000,
        accuracyOfRange: 0.02,
        divisions: 50,
      })),
    },
  ],
};

function digits(id: string, about: number, accuracyOfReading: number) {
  return { id, fullScale: about * 0.9995, resolution: about / 2000, accuracyOfReading, accuracyCounts: 2 };
}

/** A place where a reading is taken. */
type Place = ReturnType<typeof currents | typeof partVoltages>[number];

export const nodeVoltages = ({ elements }: Network) =>
  [...new Set(elements.flatMap(({ from, to }) => [from, to]))]
    .filter((node) => node !== '0')
    .map((red) => ({ quantity: 'dc-voltage', red, black: '0' }) as const);

export const currents = ({ elements }: Network) =>
  elements.map(({ id, from }) => ({ quantity: 'dc-current', node: from, ends: [`${id}.from`] }) as const);

/** Only of parts that do not end at the reference: the others are read by their node. */
export const partVoltages = ({ elements }: Network) =>
  elements
    .filter(({ from, to }) => from !== '0' && to !== '0')
    .map(({ from, to }) => ({ quantity: 'dc-voltage', red: from, black: to }) as const);

/** Readings of a network as they would be written down: the voltage of each node and the current of each part if no places are given. */
export function readAll(
  drawn: Network,
  real: Network,
  instruments: readonly Instrument[],
  random: () => number,
  places: readonly Place[] = [...nodeVoltages(drawn), ...currents(drawn)],
): Reading[] {
  const unloaded = solveUnloaded(real);
  if (!unloaded.ok) return [];
  return places.flatMap((place, index): Reading[] => {
    const { nodes } = unloaded.value.values;
    const at = place.quantity === 'dc-voltage' ? (nodes[place.red] ?? 0) - (nodes[place.black] ?? 0) : 0;
    // A needle does not read below zero.
    const instrument = place.quantity === 'dc-voltage' && index % 3 === 2 && at >= 0 ? needle : digital;
    const used = instruments.find(({ id }) => id === instrument.id)!;
    for (const { id } of rangesOf(instrument, place.quantity)) {
      const reading = {
        id: `M${index + 1}`,
        instrument: instrument.id,
        range: id,
        observations: [],
        ...place,
      } as Reading;
      const { expected } = expectationOf(unloaded.value, [used], reading);
      const range = findRange(instrument, place.quantity, id)!;
      const { accuracy } = readingUncertainty(instrument, range, expected ?? 0);
      const value = (expected ?? 0) + accuracy * 0.5 * (2 * random() - 1);
      const { display, unit } = shownOn(instrument, place.quantity, range, value);
      if (display === null || display === 'OL' || Math.abs(value) > range.fullScale) continue;
      return [{ ...reading, observations: [{ shown: display.replace('−', '-'), unit }] }];
    }
    return [];
  });
}
