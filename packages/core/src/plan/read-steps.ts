import { jackOf, rangesOf, smallestStep, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import {
  isLinear,
  loadingPoints,
  measurementPointOf,
  shiftedNetwork,
  solveUnloaded,
  sourceResistanceUncertainty,
  type LoadingPoint,
  type PointValues,
  type Meter,
  type Unloaded,
} from '../loading/index.ts';
import { currentFromTo, endsAt, parseEnd, type Chain, type Network } from '../network/index.ts';
import { expectationOf, type Conventions, type Limits, type Reading } from '../readings/index.ts';
import { breakCautions, readCautions, resistanceCautions } from './cautions.ts';
import type { Across, InSeries } from './measurements.ts';
import type { CurrentStep, ResistanceStep, Unnumbered, VoltageStep } from './plan.ts';
import {
  chooseRange,
  chooseResistanceRange,
  highestRange,
  shownAt,
  slowRate,
  type RangeChoice,
} from './range-choice.ts';

/** Read steps at the places of one network, each with the range that reads it best. */
export class ReadSteps {
  private readonly points: Record<MeterQuantity, ReadonlyMap<string, LoadingPoint>>;
  private readonly shifted: readonly Record<MeterQuantity, ReadonlyMap<string, LoadingPoint>>[];

  constructor(
    private readonly unloaded: Unloaded,
    private readonly instruments: readonly Instrument[],
    private readonly conventions: Conventions,
  ) {
    this.points = pointsOf(unloaded);
    const toleranced = unloaded.network.elements.some((part) => part.kind === 'resistor' && part.tolerance);
    this.shifted = (toleranced ? ([-1, 1] as const) : []).flatMap((side) => {
      const solved = solveUnloaded(shiftedNetwork(unloaded.network, side));
      return solved.ok ? [pointsOf(solved.value)] : [];
    });
  }

  resistance(id: string): Unnumbered<ResistanceStep> | null {
    const part = this.unloaded.network.elements.find((one) => one.id === id);
    if (part?.kind !== 'resistor') return null;
    const { resistance, tolerance = 0 } = part;
    const choice = chooseResistanceRange(resistance, this.instruments);
    if (!choice) return null;
    const { instrument, range } = choice;
    const rate = slowRate(instrument, range, resistance);
    const notes = [
      ...(part.bodyLabel === undefined ? [] : [`The part is marked ${part.bodyLabel}.`]),
      ...(resistance < smallestStep(instrument, range) / 2 ? ['No range here can tell it from 0.'] : []),
    ];
    const expected = this.conventions.firstRange === 'expected';
    return {
      do: 'read',
      quantity: 'resistance',
      instrument: instrument.id,
      range: range.id,
      startRange: expected ? range.id : highestRange(rangesOf(instrument, 'resistance')).id,
      jack: jackOf('resistance', range),
      element: id,
      expected: resistance,
      low: resistance * (1 - tolerance),
      high: resistance * (1 + tolerance),
      ...shownAt(instrument, 'resistance', range, resistance),
      ...(rate !== undefined && { rate }),
      ...(notes.length > 0 && { notes }),
      cautions: resistanceCautions(id),
    };
  }

  /** Returns whether any range can read between two nodes. */
  canReadVoltage(pair: Across): boolean {
    const at = this.voltageAt(pair);
    return at !== null && this.choose('dc-voltage', at) !== null;
  }

  /** Returns whether any range can read what a chain carries. */
  canReadCurrent(chain: Chain): boolean {
    const at = this.currentAt(chain);
    return at !== null && this.choose('dc-current', at) !== null;
  }

  voltage(pair: Across): Unnumbered<VoltageStep> | null {
    const at = this.voltageAt(pair);
    if (!at) return null;
    // Red is where it reads positive; where nothing is to be read, on the first.
    const [red, black] = at.point.truth === 0 ? pair : at.across!;
    const step = this.read(this.unloaded, { id: 'own', quantity: 'dc-voltage', red, black, ...unset }, at);
    return step && { ...step, quantity: 'dc-voltage', red, black };
  }

  current({ node, end, chain }: InSeries): Unnumbered<CurrentStep> | null {
    const at = this.currentAt(chain);
    if (!at) return null;
    const { element: id, end: side } = parseEnd(end)!;
    const element = this.unloaded.network.elements.find((one) => one.id === id)!;
    const flows = currentFromTo(element, this.unloaded.values.elements[id]!.current)!;
    const reversed = side === 'from' ? flows < 0 : flows > 0;
    const place = { node, ends: [end], ...(reversed && { reversed }) };
    const step = this.read(this.unloaded, { id: 'own', quantity: 'dc-current', ...place, ...unset }, at);
    return step && { ...step, quantity: 'dc-current', ...place };
  }

  /** Returns a source with all else lifted off one of its nodes: break, reading, restoring. None if it is alone, or cannot be lifted. */
  sourceUnloaded(id: string): Unnumbered[] {
    const { network } = this.unloaded;
    const source = network.elements.find((one) => one.id === id)!;
    const others = (node: string): string[] => endsAt(network, node).filter((end) => !end.startsWith(`${id}.`));
    const [from, to] = [others(source.from), others(source.to)];
    const [node, ends] = from.length <= to.length ? [source.from, from] : [source.to, to];
    if (ends.length === 0 || source.from === source.to) return [];
    const solved = solveUnloaded(lifted(network, ends));
    if (!solved.ok) return [];
    const positive = (solved.value.values.elements[id]?.voltage ?? 0) >= 0;
    const [red, black] = positive ? [source.from, source.to] : [source.to, source.from];
    const meter = { id: 'own', quantity: 'dc-voltage', red, black, ...unset } as const;
    const setup = { id: 'own', meters: [meter] };
    const point = measurementPointOf(solved.value, this.instruments, setup, 'own');
    if (!point.ok) return [];
    const uncertainty = sourceResistanceUncertainty(solved.value.network, this.instruments, setup, 'own');
    const step = this.read(solved.value, meter, { point: point.value, uncertainty });
    if (!step) return [];
    return [
      {
        do: 'break',
        node,
        ends,
        cautions: breakCautions(this.unloaded.values),
        notes: [`${id} stands alone: its voltage without load.`],
      },
      { ...step, quantity: 'dc-voltage', red, black, unloaded: id },
      { do: 'restore', node, ends },
    ];
  }

  private voltageAt([a, b]: Across): (Place & { readonly across: Across | null }) | null {
    const key = pairKey(a, b);
    const point = this.points['dc-voltage'].get(key);
    return point
      ? { point: meterPoint(point), across: point.across, uncertainty: this.uncertaintyAt('dc-voltage', key) }
      : null;
  }

  /** The current of a break is the same all along a chain: it is taken from any part that has a figure. */
  private currentAt({ parts }: Chain): Place | null {
    const carrier = parts.find(({ id }) => this.points['dc-current'].has(id));
    if (!carrier) return null;
    const point = meterPoint(this.points['dc-current'].get(carrier.id)!);
    return { point, uncertainty: this.uncertaintyAt('dc-current', carrier.id) };
  }

  private uncertaintyAt(quantity: MeterQuantity, key: string): number {
    const [low, high] = this.shifted.map((points) => points[quantity].get(key)?.sourceResistance ?? null);
    if (low === undefined || high === undefined || low === null || high === null || low + high === 0) return 0;
    return Math.abs(high - low) / (high + low);
  }

  private choose(quantity: MeterQuantity, { point, uncertainty }: Place): RangeChoice | null {
    return chooseRange(point, quantity, this.instruments, uncertainty, this.conventions);
  }

  /** The figures of a step for its meter alone; null if no range can read it. */
  private read(unloaded: Unloaded, meter: Meter, at: Place): ReadFigures | null {
    const choice = this.choose(meter.quantity, at);
    if (!choice) return null;
    const { instrument, range } = choice.option;
    const placed = { ...meter, instrument: instrument.id, range: range.id };
    const { expected, limits } = expectedAt(unloaded, instrument, placed, choice.option.indicated);
    return {
      do: 'read',
      instrument: instrument.id,
      range: range.id,
      startRange: choice.startRange,
      jack: jackOf(meter.quantity, range),
      expected,
      ...limits,
      ...shownAt(instrument, meter.quantity, range, expected),
      ...(choice.rate !== undefined && { rate: choice.rate }),
      ...(choice.notes.length > 0 && { notes: choice.notes }),
      cautions: readCautions(unloaded.network, placed, at.point),
    };
  }
}

/** Value at a place for any meter, and the share of itself by which its source resistance may be off. */
interface Place {
  readonly point: PointValues;
  readonly uncertainty: number;
}

/** The figures that every read step has. */
type ReadFigures = Omit<VoltageStep, 'id' | 'quantity' | 'red' | 'black'>;

/** A meter that has no instrument yet. */
const unset = { instrument: '', range: '' };

/**
 * Returns a meter's indication and its limits over the parts' tolerances, as for a reading at the place.
 *
 * @param indicated  V or A that the range was chosen by: where loads are not ohmic it is to first order only
 */
function expectedAt(
  unloaded: Unloaded,
  instrument: Instrument,
  { id, ...place }: Meter,
  indicated: number,
): { readonly expected: number; readonly limits: Limits } {
  const reading = { id, observations: [], ...place } as Reading;
  const expectation = expectationOf(unloaded, [instrument], reading);
  const expected = isLinear(unloaded) ? indicated : (expectation.expected ?? indicated);
  return { expected, limits: expectation.limits ?? { low: expected, high: expected } };
}

const pairKey = (a: string, b: string): string => [a, b].sort().join(' ');

function pointsOf(unloaded: Unloaded): Record<MeterQuantity, ReadonlyMap<string, LoadingPoint>> {
  const across = loadingPoints(unloaded, 'dc-voltage').map((point) => [pairKey(...point.across!), point] as const);
  const inSeries = loadingPoints(unloaded, 'dc-current').map((point) => [point.inSeriesWith!, point] as const);
  return { 'dc-voltage': new Map(across), 'dc-current': new Map(inSeries) };
}

/** A meter alone: what is ideal is true. */
const meterPoint = ({ truth, sourceResistance }: LoadingPoint): PointValues => ({
  ideal: truth,
  truth,
  sourceResistance,
});

/** The network with some ends lifted off their node and left together in the air. */
function lifted(network: Network, ends: readonly string[]): Network {
  const air = ' lifted';
  return {
    ...network,
    elements: network.elements.map((element) => ({
      ...element,
      ...(ends.includes(`${element.id}.from`) && { from: air }),
      ...(ends.includes(`${element.id}.to`) && { to: air }),
    })),
  };
}
