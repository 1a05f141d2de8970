import { findRange, type Instrument, type MeterQuantity, type Range } from '../instrument/index.ts';
import { setupFaults, solveSetup, solveUnloaded, type Connection, type Setup } from '../loading/index.ts';
import { endsAt, type Network, type Resistor } from '../network/index.ts';
import { resistanceFromSweep, type SweptResistance } from '../uncertainty/index.ts';
import { observedValue } from './observed-value.ts';
import type { Observation } from './reading.ts';
import type { Sweep, SweepMeter } from './sweep.ts';

/** Indications of both meters at one setting, V and A; null if nothing determines them. */
export interface ExpectedPoint {
  readonly voltage: number | null;
  readonly current: number | null;
}

/** A sweep with what follows from it. */
export interface SweepResult {
  /** The part that is measured; null if it no longer exists. */
  readonly part: Resistor | null;
  /** Expected indications at each setting, in the order of the points; null if the meters cannot be connected. */
  readonly expected: readonly (ExpectedPoint | null)[];
  /** The part's resistance; null for fewer than two different currents. */
  readonly resistance: SweptResistance | null;
}

/**
 * Returns what follows from a sweep: the expected indications, and the part's resistance with both meters' effects taken out.
 *
 * @param network  the network that the sweep was taken in; only the EMF of its source differs from point to point
 */
export function sweepResult(network: Network, instruments: readonly Instrument[], sweep: Sweep): SweepResult {
  const part = network.elements.find((one): one is Resistor => one.id === sweep.element && one.kind === 'resistor');
  const voltmeter = rangeOf(instruments, sweep.voltmeter, 'dc-voltage');
  const ammeter = rangeOf(instruments, sweep.ammeter, 'dc-current');
  if (!part || !voltmeter || !ammeter)
    return { part: part ?? null, expected: sweep.points.map(() => null), resistance: null };
  const readings = sweep.points.flatMap(({ voltage, current }) => {
    const volts = valueOf(voltage, 'dc-voltage', sweep.voltmeter, instruments);
    const amps = valueOf(current, 'dc-current', sweep.ammeter, instruments);
    if (!volts || !amps) return [];
    return [{ voltage: volts.value, current: amps.value, voltageUncertainty: volts.u, currentUncertainty: amps.u }];
  });
  return {
    part,
    expected: sweep.points.map(({ set }) => expectedPoint(network, instruments, sweep, part, set)),
    resistance: resistanceFromSweep(readings, {
      connection: sweep.connection,
      voltmeter: voltmeter.resistance,
      ammeter: ammeter.resistance,
    }),
  };
}

const rangeOf = (
  instruments: readonly Instrument[],
  { instrument, range }: SweepMeter,
  quantity: MeterQuantity,
): Range | undefined => {
  const found = instruments.find(({ id }) => id === instrument);
  return found && findRange(found, quantity, range);
};

/** The value of one observation with its standard uncertainty, the instrument's own error subtracted. */
function valueOf(
  observation: Observation | undefined,
  quantity: MeterQuantity,
  { instrument, range }: SweepMeter,
  instruments: readonly Instrument[],
): { readonly value: number; readonly u: number } | null {
  if (!observation) return null;
  const { value, uncertainty } = observedValue(
    { quantity, range, observations: [observation] },
    instruments.find(({ id }) => id === instrument),
  );
  return value === null || uncertainty === null ? null : { value, u: uncertainty / 2 };
}

function expectedPoint(
  network: Network,
  instruments: readonly Instrument[],
  { source, connection, voltmeter, ammeter }: Sweep,
  part: Resistor,
  set: number,
): ExpectedPoint | null {
  const elements = network.elements.map((one) =>
    one.id === source && one.kind === 'source' ? { ...one, emf: set / (one.cellsInSeries ?? 1) } : one,
  );
  const setup: Setup = {
    id: 'sweep',
    meters: [
      { id: 'V', quantity: 'dc-voltage', ...voltmeter, red: part.from, black: part.to },
      { id: 'A', quantity: 'dc-current', ...ammeter, node: part.from, ...breakAt(network, part, connection) },
    ],
  };
  const unloaded = solveUnloaded({ ...network, elements });
  if (!unloaded.ok || setupFaults(network, instruments, setup).length > 0) return null;
  const solved = solveSetup(unloaded.value, instruments, setup);
  if (!solved.ok) return null;
  const { V, A } = solved.value.meters;
  return { voltage: V!.indicated, current: A!.indicated };
}

/** The break for the ammeter: it lifts the part's own end if the voltmeter is across both, otherwise all other ends. */
function breakAt(network: Network, { id, from }: Resistor, connection: Connection) {
  const own = `${id}.from`;
  return connection === 'across-both'
    ? { ends: [own] }
    : { ends: endsAt(network, from).filter((end) => end !== own), reversed: true };
}
