import {
  curveOf,
  deviationFrom,
  isSource,
  lawOf,
  type Element,
  type ElementOf,
  type Network,
} from '../network/index.ts';
import { formatPercent, amps, ohms, volts } from '../quantity/index.ts';
import type { Conventions } from '../readings/index.ts';
import type { NetworkValues } from '../solver/index.ts';
import type { ReportReading } from './report-readings.ts';

/** A part as the report lists it. */
export interface ReportPart {
  readonly id: string;
  /** Function and its label on the instrument. */
  readonly label: string;
  readonly between: string;
  /** As marked, `56 kΩ`. */
  readonly value: string;
  readonly tolerance: string;
  /** As measured out of circuit. */
  readonly measured: string;
  /** (measured − nominal)/nominal, in per cent. */
  readonly off: string;
  /** False if it was measured outside its tolerance; null if unknown. */
  readonly within: boolean | null;
  readonly voltage: number | null;
  readonly current: number | null;
  readonly power: number | null;
  /** Share of the power rating; null if none is given. */
  readonly ofRating: number | null;
}

/**
 * Everything that is no source, with its true values.
 *
 * @param measured  Ω that was read out of circuit, for parts without a measured value of their own
 */
export const reportParts = (
  { elements }: Network,
  values: NetworkValues,
  measured: ReadonlyMap<string, number>,
): ReportPart[] =>
  elements.filter((element) => !isSource(element)).map((element) => partOf(element, values, measured.get(element.id)));

function partOf(element: Element, values: NetworkValues, read: number | undefined): ReportPart {
  const { id, label = '', from, to } = element;
  const { voltage = null, current = null, power = null } = values.elements[id] ?? {};
  const resistor = element.kind === 'resistor' ? element : null;
  const measured = resistor?.measuredResistance ?? read;
  const deviation = resistor && measured !== undefined ? deviationFrom(resistor, measured) : null;
  const body = resistor?.bodyLabel === undefined ? '' : `marked ${resistor.bodyLabel}`;
  const rating = resistor?.powerRating;
  return {
    id,
    label: [label, body].filter((word) => word !== '').join(', '),
    between: `${from}–${to}`,
    value: (valueWords[element.kind] as (element: Element) => string)(element),
    tolerance: resistor?.tolerance === undefined ? '' : `±${formatPercent(resistor.tolerance, { trim: true })}`,
    measured: measured === undefined ? '' : ohms(measured, 6),
    off: deviation ? formatPercent(deviation.ratio, { digits: 2, signed: true }) : '',
    within: deviation?.within ?? null,
    voltage,
    current,
    power,
    ofRating: rating === undefined || power === null ? null : power / rating,
  };
}

/** Value of each kind of part in the report; sources are listed with their own values. */
const valueWords: { readonly [Kind in Element['kind']]: (element: ElementOf<Kind>) => string } = {
  resistor: ({ resistance }) => ohms(resistance, 6),
  load: (load) => {
    const curve = curveOf(load);
    const law = lawOf(curve);
    const proportion = law.isOhmic(curve.values) ? '' : `, ${law.proportion(curve.values)}`;
    return `${volts(load.ratedVoltage, 6)}, ${amps(load.ratedCurrent, 6)}${proportion}${load.polarised ? ', polarised' : ''}`;
  },
  switch: ({ closed, momentary }) => `switch, ${closed ? 'closed' : 'open'}${momentary ? ', to be held' : ''}`,
  link: () => 'link',
  source: () => '',
  'current-source': () => '',
};

/** A source as it is counted, and what was read across it. */
export interface ReportSupply {
  readonly id: string;
  readonly label: string;
  readonly between: string;
  readonly value: string;
  readonly limit: string;
  /** True voltage and current at its terminals. */
  readonly voltage: number | null;
  readonly current: number | null;
  /** Ids of the voltages read across it. */
  readonly readings: readonly string[];
}

/** Every source, with the voltages that were read across it, loaded or not. */
export const reportSupplies = (
  { elements }: Network,
  values: NetworkValues,
  readings: readonly ReportReading[],
): ReportSupply[] =>
  elements.filter(isSource).map((source) => {
    const { id, label = '', from, to } = source;
    const { voltage = null, current = null } = values.elements[id] ?? {};
    const across = readings.filter(
      ({ reading }) =>
        reading.struck === undefined &&
        reading.quantity === 'dc-voltage' &&
        [from, to].every((node) => [reading.red, reading.black].includes(node)),
    );
    return {
      id,
      label: [label, source.channel === undefined ? '' : `channel ${source.channel}`].filter(Boolean).join(', '),
      between: `${from}–${to}`,
      value: source.kind === 'source' ? emfWords(source) : amps(source.current, 6),
      limit: limitWords(source),
      voltage,
      current,
      readings: across.map(({ reading }) => reading.id),
    };
  });

function emfWords({
  emf,
  internalResistance = 0,
  cellsInSeries = 1,
  cellsInParallel = 1,
}: ElementOf<'source'>): string {
  const inside = internalResistance === 0 ? 'ideal' : `${ohms(internalResistance, 6)} internal`;
  if (cellsInSeries * cellsInParallel === 1) return `${volts(emf, 6)}, ${inside}`;
  const strings = cellsInParallel === 1 ? '' : `, ${cellsInParallel} such in parallel`;
  return `${cellsInSeries} ${cellsInSeries === 1 ? 'cell' : 'cells in series'}${strings}, each ${volts(emf, 6)}, ${inside}`;
}

function limitWords(source: ElementOf<'source' | 'current-source'>): string {
  const limits =
    source.kind === 'source'
      ? source.currentLimit === undefined
        ? []
        : [`limit ${amps(source.currentLimit, 6)}`]
      : source.compliance === undefined
        ? []
        : [`compliance ${volts(source.compliance, 6)}`];
  const ceiling =
    source.ceiling === undefined ? [] : [`never above ${(source.kind === 'source' ? volts : amps)(source.ceiling)}`];
  return [...limits, ...ceiling].join(', ');
}

/** Figure that the record gives as the output of a supply, by the job's convention. Predictions always use the EMF. */
export const supplyWords: Readonly<Record<NonNullable<Conventions['supply']>, string>> = {
  meter: 'Output of a supply: the reading across it, or its rated value if there is none. Predictions use the EMF.',
  posts: 'Output of a supply: the reading at its posts, or its rated value if there is none. Predictions use the EMF.',
  clips: 'Output of a supply: the reading at the clips, or its rated value if there is none. Predictions use the EMF.',
  rated: 'Output of a supply: its rated value. Predictions use the EMF.',
};
