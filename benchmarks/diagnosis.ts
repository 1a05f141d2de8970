import type { Network } from '@usual-drag/core/network';
import { rangesOf } from '@usual-drag/core/instrument';
import { solveUnloaded } from '@usual-drag/core/loading';
import { withFault, type Hypothesis } from '@usual-drag/core/faults';
import type { Reading } from '@usual-drag/core/readings';
import { diagnose } from '@usual-drag/core/diagnosis';
import { line } from './measure.ts';
import { digital, needle, readAll, seeded } from './sample-readings.ts';

const standard = [100, 150, 220, 330, 470, 680, 1000, 1500, 2200, 3300, 4700, 6800, 10_000, 22_000];

/** A ladder with a bridge arm, a battery and a switch. */
function sampleNetwork(random: () => number): Network {
  const ohms = (): number => standard[Math.floor(random() * standard.length)]!;
  const part = (id: string, from: string, to: string) => ({
    id,
    kind: 'resistor' as const,
    from,
    to,
    resistance: ohms(),
    tolerance: random() < 0.5 ? 0.01 : 0.05,
  });
  return {
    reference: '0',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 6 + Math.floor(random() * 18), internalResistance: 0.5 },
      { id: 'S1', kind: 'switch', from: 'A', to: 'B', closed: true },
      part('R1', 'B', 'C'),
      part('R2', 'C', '0'),
      part('R3', 'C', 'D'),
      part('R4', 'D', '0'),
      ...(random() < 0.5 ? [part('R5', 'B', 'D')] : []),
    ],
  };
}

/** The same network with every part somewhere within four fifths of its tolerance. */
const withinTolerance = (network: Network, random: () => number): Network => ({
  ...network,
  elements: network.elements.map((part) =>
    part.kind === 'resistor' && part.tolerance
      ? { ...part, resistance: part.resistance * (1 + 0.8 * part.tolerance * (2 * random() - 1)) }
      : part,
  ),
});

const circuitFaults: readonly ((random: () => number, network: Network) => Hypothesis)[] = [
  (r) => ({ fault: 'open', where: [anyPart(r)], value: null }),
  (r) => ({ fault: 'short', where: [anyPart(r)], value: null }),
  (r) => ({ fault: 'decade', where: [anyPart(r)], value: [10, 0.1, 100, 0.01][Math.floor(r() * 4)]! }),
  (r) => ({ fault: 'contact', where: [anyPart(r)], value: 10 ** (2 + 3 * r()) }),
  () => ({ fault: 'swapped', where: ['R1', 'R2'], value: null }),
  () => ({ fault: 'supply-off', where: ['E1'], value: null }),
  () => ({ fault: 'supply-reversed', where: ['E1'], value: null }),
  (r) => ({ fault: 'supply-value', where: ['E1'], value: 2 + 2 * r() }),
  () => ({ fault: 'switch', where: ['S1'], value: null }),
  (r, network) => {
    const id = anyPart(r);
    const part = network.elements.find((one) => one.id === id);
    const ohms = part?.kind === 'resistor' ? part.resistance : 0;
    return { fault: 'out-of-tolerance', where: [id], value: ohms * (1.2 + 2 * r()) };
  },
  (r, network) => {
    const solved = solveUnloaded(network);
    const current = solved.ok ? Math.abs(solved.value.values.elements.E1?.current ?? 0) : 0;
    return { fault: 'supply-limited', where: ['E1'], value: current * (0.3 + 0.5 * r()) };
  },
  (r) => ({ fault: 'meter', where: ['digital'], value: { quantity: 'dc-current', factor: 3 + 7 * r() } }),
];

const anyPart = (random: () => number): string => `R${1 + Math.floor(random() * 4)}`;

/** Faults of one reading, put into the record. */
const readingFaults: readonly {
  readonly fault: Hypothesis['fault'];
  readonly put: (reading: Reading, others: readonly Reading[]) => Reading | null;
}[] = [
  {
    fault: 'prefix',
    put: (one) =>
      withUnit(
        one,
        one.observations[0]!.unit.length === 1 ? `m${one.observations[0]!.unit}` : one.observations[0]!.unit.slice(-1),
      ),
  },
  {
    fault: 'leads-swapped',
    put: (one) =>
      withShown(
        one,
        one.observations[0]!.shown.startsWith('-')
          ? one.observations[0]!.shown.slice(1)
          : `-${one.observations[0]!.shown}`,
      ),
  },
  { fault: 'hanging', put: (one) => withShown(one, '0.00') },
  { fault: 'digits-swapped', put: (one) => withShown(one, one.observations[0]!.shown.replace(/(\d)(\d)/, '$2$1')) },
  {
    fault: 'wrong-scale',
    put: (one) => {
      const read = rangesOf(needle, 'dc-voltage').find(({ id }) => id === one.range);
      const other = rangesOf(needle, 'dc-voltage').find(({ id }) => id !== one.range);
      if (one.instrument !== needle.id || !read || !other) return null;
      const value = (Number(one.observations[0]!.shown) * other.fullScale) / read.fullScale;
      return withShown(one, value.toPrecision(3));
    },
  },
  {
    fault: 'wrong-place',
    put: (one, others) => {
      const other = others.find(
        ({ id, instrument, range, quantity }) =>
          id !== one.id && instrument === one.instrument && range === one.range && quantity === one.quantity,
      );
      return other ? { ...one, observations: other.observations } : null;
    },
  },
];

const withShown = (reading: Reading, shown: string): Reading => ({
  ...reading,
  observations: [{ ...reading.observations[0]!, shown }],
});

const withUnit = (reading: Reading, unit: string): Reading => ({
  ...reading,
  observations: [{ ...reading.observations[0]!, unit }],
});

const jobsOfAKind = 12;

/** Prints how often the hidden fault is in the first group, by its kind; how often a sound job is called consistent. */
export function benchDiagnosis(): void {
  console.log(
    `\nDiagnosis: the hidden fault in the first group, of ${jobsOfAKind} made-up jobs a kind that it can be seen in`,
  );
  const random = seeded(20_261_126);
  const bench = [digital, needle];
  const score = (
    name: string,
    make: (network: Network) => { readings: Reading[]; truth: Pick<Hypothesis, 'fault' | 'where'> | null },
  ): void => {
    let [right, of] = [0, 0];
    for (let tries = 0; of < jobsOfAKind && tries < jobsOfAKind * 6; tries += 1) {
      const network = sampleNetwork(random);
      const { readings, truth } = make(network);
      const made = diagnose({ network, instruments: bench, readings });
      if (!made.ok || readings.length === 0) continue;
      const { consistent, groups } = made.value;
      // What no reading shows cannot be found.
      if (truth !== null && consistent) continue;
      of += 1;
      const isIt = ({ fault, where }: Hypothesis): boolean =>
        fault === truth?.fault && [...where].sort().join() === [...truth.where].sort().join();
      if (truth === null ? consistent : groups[0]?.hypotheses.some(isIt)) right += 1;
    }
    line(`  ${name}`, `${right} of ${of}`);
  };
  score('sound', (network) => ({
    readings: readAll(network, withinTolerance(network, random), bench, random),
    truth: null,
  }));
  for (const fault of circuitFaults) {
    score(fault(random, sampleNetwork(random)).fault, (network) => {
      const hidden = fault(random, network);
      const real = withFault({ network: withinTolerance(network, random), instruments: bench }, hidden);
      return { readings: readAll(network, real.network, real.instruments, random), truth: hidden };
    });
  }
  for (const { fault, put } of readingFaults)
    score(fault, (network) => {
      const readings = readAll(network, withinTolerance(network, random), bench, random);
      const at = Math.floor(random() * readings.length);
      const wrong = readings[at] && put(readings[at], readings);
      return {
        readings: wrong ? readings.map((one, k) => (k === at ? wrong : one)) : [],
        truth: { fault, where: [readings[at]?.id ?? ''] },
      };
    });
}
