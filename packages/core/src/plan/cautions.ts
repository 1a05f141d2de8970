import { dangerousVoltage, largestVoltage, type PointValues, type Meter } from '../loading/index.ts';
import type { Element, Network } from '../network/index.ts';
import { formatQuantity, amps, volts } from '../quantity/index.ts';
import type { NetworkValues } from '../solver/index.ts';

/** V DC from which on wet places count as dangerous. */
const wetVoltage = 30;

/** Returns the dangers of a circuit that is switched on; the first source has the caution for all. */
export function supplyCautions(
  network: Network,
  source: Extract<Element, { kind: 'source' | 'current-source' }>,
  values: NetworkValues,
  first: boolean,
): string[] {
  const largest = largestVoltage(values);
  const rated = source.kind === 'source' ? source.emf * (source.cellsInSeries ?? 1) : source.current;
  const unit = source.kind === 'source' ? volts : amps;
  return [
    ...(first && largest > dangerousVoltage
      ? [
          `Up to ${volts(largest, 3)} DC: it can kill. Lock out and prove dead before opening the circuit. Local codes and licensed practice decide.`,
        ]
      : first && largest > wetVoltage
        ? [
            `${volts(largest, 3)} DC: in a wet place treat it as one that can kill. Local codes and licensed practice decide.`,
          ]
        : []),
    ...(source.ceiling !== undefined && Math.abs(rated) > source.ceiling
      ? [
          `${source.id} is drawn with ${unit(rated)}, and never to be set above ${unit(source.ceiling)}: the plan stays at its ceiling.`,
        ]
      : []),
    ...(source.kind === 'source' && (source.cellsInSeries !== undefined || source.cellsInParallel !== undefined)
      ? [`${source.id} is a battery: it feeds far more than a bench supply. Never put an ammeter across it.`]
      : []),
    ...network.elements.flatMap((element) =>
      first && element.kind === 'switch' && element.momentary && element.closed
        ? [`Hold ${element.id} while reading: it opens when let go.`]
        : [],
    ),
  ];
}

/** Before the circuit is opened. */
export const breakCautions = (values: NetworkValues): string[] => [
  largestVoltage(values) > dangerousVoltage
    ? 'De-energise, lock out and prove dead before opening. Local codes and licensed practice decide.'
    : 'Supply off before opening; on again when the meter is in.',
];

/** Before a resistance is measured. */
export const resistanceCautions = (id: string): string[] => [
  `Supply off and ${id} out of the circuit: what lies beside it would be measured with it.`,
];

/** Before a meter is read. */
export function readCautions(network: Network, meter: Meter, { sourceResistance }: PointValues): string[] {
  const held = network.elements.filter((one) => one.kind === 'switch' && one.momentary && one.closed);
  return [
    ...(meter.quantity === 'dc-current'
      ? ['An ammeter is a near short: never across a supply or a live conductor.']
      : []),
    ...(meter.quantity === 'dc-current' && sourceResistance !== null && sourceResistance < 1
      ? [
          `The loop has only ${formatQuantity(sourceResistance, 'Ω', { digits: 3, trim: true })}: little but the source limits the current.`,
        ]
      : []),
    ...held.map(({ id }) => `Hold ${id} while reading.`),
  ];
}
