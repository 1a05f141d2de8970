import { currentFromTo, endsAt, type Element, type Network } from '../network/index.ts';
import type { AmmeterPlacement, Setup, VoltmeterPlacement } from './setup.ts';
import type { MeterReading, SetupValues } from './solve-setup.ts';
import { apparentError, betterConnection, correctedResistance, type Connection } from './voltmeter-ammeter.ts';

/** A part's resistance from a voltmeter and an ammeter of one set-up. Ω. */
export interface ResistanceFromSetup {
  readonly part: string;
  readonly voltmeter: string;
  readonly ammeter: string;
  /** V and A at the meters' terminals, without signs. */
  readonly voltage: number;
  readonly current: number;
  /** Which of the two connections the circuit with both meters in it is. */
  readonly connection: Connection;
  readonly apparent: number;
  /** The part's own resistance; null if no part gives this V/I. */
  readonly corrected: number | null;
  /** Relative error of V/I for each connection. */
  readonly errors: Readonly<Record<Connection, number>>;
  /** The connection with the smaller error. */
  readonly better: Connection;
  readonly voltmeterResistance: number;
  readonly ammeterResistance: number;
}

/** Relative difference up to which two values of one solved circuit are equal. */
const equal = 1e-9;

const isEqual = (a: number, b: number): boolean => Math.abs(a - b) <= equal * Math.max(Math.abs(a), Math.abs(b));

/**
 * Returns the resistances that the voltmeters and ammeters of a set-up measure, one for each part and pair of meters.
 *
 * The connection follows from the solved circuit, not from the names of nodes, as an ammeter may lift the part's own end off
 * the voltmeter's node. Across the part alone, the ammeter carries the part's current and the voltmeter's. Across both, the
 * voltmeter has the part's voltage and the ammeter's, and the ammeter carries the part's current. A pair for which neither
 * holds does not measure the part.
 */
export function resistancesFromSetup(network: Network, setup: Setup, values: SetupValues): ResistanceFromSetup[] {
  const parts = network.elements.filter(({ kind }) => kind === 'resistor' || kind === 'load');
  const read = setup.meters.filter(({ id }) => isUsable(values.meters[id]));
  const voltmeters = read.filter((meter): meter is VoltmeterPlacement => meter.quantity === 'dc-voltage');
  const ammeters = read.filter(({ quantity }) => quantity === 'dc-current');
  return parts.flatMap((part) =>
    voltmeters.flatMap((voltmeter) =>
      ammeters.flatMap((ammeter): ResistanceFromSetup[] => {
        const [volts, amps] = [values.meters[voltmeter.id]!, values.meters[ammeter.id]!];
        const connection = connectionOf(part, values, volts, amps);
        if (!connection) return [];
        const [voltage, current] = [Math.abs(volts.indicated!), Math.abs(amps.indicated!)];
        const [voltmeterResistance, ammeterResistance] = [volts.meterResistance, amps.meterResistance];
        const apparent = voltage / current;
        const corrected = correctedResistance(apparent, voltmeterResistance, ammeterResistance, connection);
        const size = corrected ?? apparent;
        const errorOf = (of: Connection): number => apparentError(size, voltmeterResistance, ammeterResistance, of);
        return [
          {
            part: part.id,
            voltmeter: voltmeter.id,
            ammeter: ammeter.id,
            voltage,
            current,
            connection,
            apparent,
            corrected,
            errors: { 'across-part': errorOf('across-part'), 'across-both': errorOf('across-both') },
            better: betterConnection(size, voltmeterResistance, ammeterResistance),
            voltmeterResistance,
            ammeterResistance,
          },
        ];
      }),
    ),
  );
}

const isUsable = (reading: MeterReading | undefined): boolean =>
  reading !== undefined && reading.state !== 'fuse-blown' && Boolean(reading.indicated);

function connectionOf(
  part: Element,
  { elements }: SetupValues,
  volts: MeterReading,
  amps: MeterReading,
): Connection | null {
  const of = elements[part.id];
  const through = currentFromTo(part, of?.current ?? null);
  if (!of?.voltage || !through) return null;
  const [voltage, current] = [Math.abs(of.voltage), Math.abs(through)];
  const [indicated, carried] = [Math.abs(volts.indicated!), Math.abs(amps.indicated!)];
  if (isEqual(indicated, voltage) && isEqual(carried, current + indicated / volts.meterResistance))
    return 'across-part';
  return isEqual(carried, current) && isEqual(indicated, voltage + carried * amps.meterResistance)
    ? 'across-both'
    : null;
}

/**
 * Moves the ammeter to one of the part's nodes so that the voltmeter is connected the other way. The ammeter then carries the
 * part's current alone (voltmeter across part and ammeter), or the current of everything else at the node (voltmeter across the
 * part alone). The sign of its reading does not change.
 *
 * @returns null if another ammeter has lifted one of those ends, or nothing else is joined there
 */
export function connectedTheOtherWay(
  { part: id, ammeter: ammeterId, connection }: ResistanceFromSetup,
  network: Network,
  setup: Setup,
  values: SetupValues,
): AmmeterPlacement | null {
  const part = network.elements.find((element) => element.id === id);
  const ammeter = setup.meters.find((meter) => meter.id === ammeterId);
  if (!part || ammeter?.quantity !== 'dc-current') return null;
  const node = ammeter.node === part.to ? part.to : part.from;
  const ownEnd = `${id}.${node === part.from ? 'from' : 'to'}`;
  const ends = connection === 'across-part' ? [ownEnd] : endsAt(network, node).filter((end) => end !== ownEnd);
  const lifted = setup.meters.flatMap((meter) =>
    meter.quantity === 'dc-current' && meter.id !== ammeterId ? meter.ends : [],
  );
  if (ends.length === 0 || ends.some((end) => lifted.includes(end))) return null;
  const fromNode = (currentFromTo(part, values.elements[id]?.current ?? null) ?? 0) * (node === part.from ? 1 : -1);
  const intoEnds = connection === 'across-part' ? fromNode : -fromNode;
  const reversed = intoEnds * (values.meters[ammeterId]?.indicated ?? 0) < 0;
  return { ...ammeter, node, ends, reversed };
}
