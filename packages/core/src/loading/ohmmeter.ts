import { shownOn, type Instrument, type ResistanceRange } from '../instrument/index.ts';
import { atRest, type Element } from '../network/index.ts';
import { resistanceBetween, toNumber } from '../solver/index.ts';
import { isLinear, solveUnloaded, type Unloaded } from './unloaded.ts';

/** An ohmmeter at the ends of a part, in the three states that it may be read in. */
export interface OhmmeterReadings {
  /** Resistance of the part alone, Ω. */
  readonly part: number;
  /** Reading with the part taken out, Ω: the part and the leads. */
  readonly isolated: number;
  /** With the part in its place and every source at rest; null if ideal sources contradict each other. */
  readonly inCircuit: number | null;
  /** With the supplies on; null if nothing determines the voltage there. */
  readonly live: number | null;
  /** Voltage across the part with the supplies on, V. */
  readonly voltage: number | null;
}

/**
 * Returns the indication of an ohmmeter at a part: it drives its test current and takes the voltage across its terminals as I·R.
 *
 * In circuit everything else lies beside the part: R ∥ rest. With the supplies on the circuit's own voltage V counts as V/I
 * ohms more, or less, whichever way the leads are on.
 *
 * @param leads  Ω of both leads and contacts
 */
export function ohmmeterAt(
  unloaded: Unloaded,
  part: string,
  range: ResistanceRange,
  leads: number,
): OhmmeterReadings | null {
  const { network, named, values } = unloaded;
  if (!isLinear(unloaded)) return ohmmeterAnew(unloaded, part, range, leads);
  const index = network.elements.findIndex(({ id }) => id === part);
  const branch = named.circuit.branches[index];
  if (!branch || branch.kind !== 'resistance') return null;
  const between = resistanceBetween(named.circuit);
  const seen = between && between(branch.from, branch.to);
  const { voltage } = values.elements[part]!;
  const inCircuit = seen && toNumber(seen) + leads;
  return {
    part: toNumber(branch.resistance),
    isolated: toNumber(branch.resistance) + leads,
    inCircuit,
    live: inCircuit === null || voltage === null ? null : inCircuit + voltage / range.testCurrent,
    voltage,
  };
}

/** The same where loads are not ohmic: the network solved with the test current driven in. */
function ohmmeterAnew(
  { network, values }: Unloaded,
  part: string,
  { testCurrent }: ResistanceRange,
  leads: number,
): OhmmeterReadings | null {
  const element = network.elements.find(({ id }) => id === part);
  if (element?.kind !== 'resistor' && element?.kind !== 'load') return null;
  const { from, to } = element;
  const driven: Element = { id: ' ohmmeter', kind: 'current-source', from, to, current: testCurrent };
  const ohmsIn = (elements: readonly Element[]): number | null => {
    const solved = solveUnloaded({ ...network, reference: to, elements: [...elements, driven] });
    const voltage = solved.ok ? (solved.value.values.elements[part]?.voltage ?? null) : null;
    return voltage === null ? null : voltage / testCurrent + leads;
  };
  const isolated = ohmsIn([element]);
  if (isolated === null) return null;
  return {
    part: isolated - leads,
    isolated,
    inCircuit: ohmsIn(network.elements.map(atRest)),
    live: ohmsIn(network.elements),
    voltage: values.elements[part]!.voltage,
  };
}

/** One state of an ohmmeter reading: its display, and the error relative to the part. */
export interface OhmmeterRow {
  readonly name: 'out of circuit' | 'in circuit, supply off' | 'in circuit, supply on';
  /** `680.0 Ω`, or `OL`; null if nothing determines it. */
  readonly display: string | null;
  /** (indicated − part)/part; null if there is no indication or it is over range. */
  readonly error: number | null;
}

/** Returns the three states with their displays, and their errors as those of the part. */
export const ohmmeterRows = (
  { part, isolated, inCircuit, live, voltage }: OhmmeterReadings,
  instrument: Pick<Instrument, 'display'>,
  range: ResistanceRange,
): OhmmeterRow[] =>
  (
    [
      ['out of circuit', isolated],
      ['in circuit, supply off', inCircuit],
      ['in circuit, supply on', live],
    ] as const
  ).map(([name, ohms]): OhmmeterRow => {
    if (ohms === null) return { name, display: null, error: null };
    // With the supply on the number says nothing about the part: most meters show OL.
    const isOver = Math.abs(ohms) > range.fullScale || (name === 'in circuit, supply on' && !!voltage);
    const { display, unit } = shownOn({ id: '', ...instrument }, 'resistance', range, ohms);
    return {
      name,
      display: isOver ? 'OL' : `${display}\u00a0${unit}`,
      error: isOver ? null : (ohms - part) / part,
    };
  });
