import { findRange, type Instrument } from '../instrument/index.ts';
import type { Element, ElementKind, ElementOf, Network } from '../network/index.ts';
import { formatQuantity, amps, volts, watts } from '../quantity/index.ts';
import type { ElementValues, NetworkValues } from '../solver/index.ts';
import type { Setup } from './setup.ts';
import { stateSentence } from './explain-reading.ts';
import type { SetupValues } from './solve-setup.ts';

/** A hazard or a limit passed: what raised it and what clears it. It never keeps anything from being computed. */
export interface Caution {
  /** The part or meter that raised it. */
  readonly about: string;
  /** `hazard` can hurt someone or destroy something; `limit` means that the real circuit will behave differently. */
  readonly kind: 'hazard' | 'limit';
  readonly message: string;
}

/** V DC from which on a circuit can kill. */
export const dangerousVoltage = 60;

/** V, the largest voltage between any two nodes. */
export function largestVoltage({ nodes }: NetworkValues): number {
  const potentials = Object.values(nodes).filter((v): v is number => v !== null);
  return potentials.length === 0 ? 0 : Math.max(...potentials) - Math.min(...potentials);
}

/** Cautions that the values of a network raise, with or without meters in. */
export function networkCautions(network: Network, values: NetworkValues): Caution[] {
  const cautions = network.elements.flatMap((element) => elementCautions(element, values));
  const spread = largestVoltage(values);
  if (spread > dangerousVoltage)
    cautions.unshift({
      about: 'network',
      kind: 'hazard',
      message: `Up to ${formatQuantity(spread, 'V', { digits: 3 })} DC between points of this circuit: it can kill. De-energise, lock out and prove dead before opening it. Local codes and licensed practice decide.`,
    });
  return cautions;
}

const elementCautions = (element: Element, values: NetworkValues): readonly Caution[] => {
  const of = values.elements[element.id];
  return of ? (cautionsOf[element.kind] as CautionsOf<Element>)(element, of) : [];
};

type CautionsOf<E> = (element: E, of: ElementValues) => readonly Caution[];

/** Share of its rated voltage above which a load is likely to be destroyed. */
const mostOfRatedVoltage = 1.2;

/** Cautions that each kind of element raises with its true values. */
const cautionsOf: { readonly [Kind in ElementKind]: CautionsOf<ElementOf<Kind>> } = {
  'current-source': ({ id, compliance }, { voltage }) =>
    compliance === undefined || voltage === null || Math.abs(voltage) <= compliance
      ? []
      : [
          {
            about: id,
            kind: 'limit',
            message: `${id} needs ${volts(Math.abs(voltage))}, its compliance ends at ${volts(compliance)}: the real current is lower. Reduce the loop’s resistance.`,
          },
        ],
  source: ({ id, currentLimit }, { current }) =>
    currentLimit === undefined || current === null || Math.abs(current) <= currentLimit
      ? []
      : [
          {
            about: id,
            kind: 'limit',
            message: `${id} would have to give ${amps(Math.abs(current))}, and its limit is ${amps(currentLimit)}: the real voltage will drop. Raise the limit or the load's resistance.`,
          },
        ],
  resistor: ({ id, powerRating }, { power }) =>
    powerRating === undefined || power === null || power <= powerRating
      ? []
      : [
          {
            about: id,
            kind: 'hazard',
            message: `${id} dissipates ${watts(power, 3)} and is rated for ${watts(powerRating, 3)}: it will burn. Switch off, and fit a larger one.`,
          },
        ],
  load: ({ id, polarised, ratedVoltage }, { voltage, current }) => {
    const cautions: Caution[] = [];
    if (voltage === null) return cautions;
    if (polarised && voltage < 0) cautions.push({ about: id, kind: 'limit', message: reversedWords(id, current) });
    if (Math.abs(voltage) > mostOfRatedVoltage * ratedVoltage)
      cautions.push({
        about: id,
        kind: 'hazard',
        message: `${id} gets ${volts(Math.abs(voltage))} and is rated for ${volts(ratedVoltage)}. Lower the supply.`,
      });
    return cautions;
  },
  switch: () => [],
  link: () => [],
};

/** A polarised load in reverse: in a job of version 1 of the format it still conducts. */
const reversedWords = (id: string, current: number | null): string =>
  current === 0
    ? `${id} is polarised and stands the wrong way round: it carries nothing. Turn it round.`
    : `${id} is polarised and stands the wrong way round. This job is from before polarity counted and takes it to conduct both ways; in truth it carries nothing, and so it will here once the job uses anything newer. Turn it round.`;

/** Cautions of a set-up's meters, then those that the circuit with them in raises. */
export function setupCautions(
  network: Network,
  instruments: readonly Instrument[],
  setup: Setup,
  values: SetupValues,
): Caution[] {
  const meters = setup.meters.flatMap((meter): Caution[] => {
    const reading = values.meters[meter.id];
    if (!reading) return [];
    const cautions: Caution[] = [];
    if (reading.state !== 'ok') {
      const kind =
        reading.state === 'fuse-blown' || reading.state === 'reversed' || reading.state === 'over-range'
          ? 'hazard'
          : 'limit';
      cautions.push({ about: meter.id, kind, message: `${meter.id}: ${stateSentence(reading)}` });
    }
    const instrument = instruments.find((i) => i.id === meter.instrument);
    const range = instrument && findRange(instrument, meter.quantity, meter.range);
    const limited = reading.sourceResistance !== null && reading.sourceResistance < 10 * reading.meterResistance;
    if (meter.quantity === 'dc-current' && range && limited && reading.sourceResistance < 1 && reading.true !== 0)
      cautions.push({
        about: meter.id,
        kind: 'hazard',
        message: `${meter.id} closes a loop of ${formatQuantity(reading.sourceResistance, 'Ω', { digits: 3 })}: little but the source itself limits the current. An ammeter is a near short; never put one across a supply.`,
      });
    return cautions;
  });
  return [...meters, ...networkCautions(network, values)];
}
