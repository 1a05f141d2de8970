import type { ResistanceRange } from '../instrument/index.ts';
import { engineering } from '../quantity/index.ts';
import { atRest, type Element } from '../network/index.ts';
import { resistanceBetween, toNumber } from '../solver/index.ts';
import { isLinear, solveUnloaded, type Unloaded } from './solve-setup.ts';

/** An ohmmeter at the ends of a part, in the three states that it may be read in. */
export interface OhmmeterReadings {
  /** Ω that it says with the part taken out: the part and the leads. */
  readonly isolated: number;
  /** With the part in its place and every source at rest; null where ideal sources contradict each other. */
  readonly inCircuit: number | null;
  /** With the supplies on; null where nothing determines the voltage there. */
  readonly live: number | null;
  /** V that stand across the part with the supplies on. */
  readonly voltage: number | null;
}

/**
 * What an ohmmeter says at a part: it drives its test current and takes the voltage across its terminals for I·R.
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
    isolated,
    inCircuit: ohmsIn(network.elements.map(atRest)),
    live: ohmsIn(network.elements),
    voltage: values.elements[part]!.voltage,
  };
}

/**
 * The number as an ohmmeter shows it: to its last digit, `OL` above full scale.
 *
 * @returns the number with its unit: `680.0 Ω`
 */
export function ohmsShown(range: ResistanceRange, ohms: number): string {
  if (Math.abs(ohms) > range.fullScale) return 'OL';
  const step = range.resolution ?? range.fullScale / 2000;
  const { prefix } = engineering(range.fullScale, 4);
  const scale = prefix === 'M' ? 1e6 : prefix === 'k' ? 1e3 : 1;
  const decimals = Math.max(0, Math.round(-Math.log10(step / scale)));
  const counts = Math.round(ohms / step) * step;
  return `${(counts / scale).toFixed(decimals).replace('-', '−')}\u00a0${prefix}Ω`;
}
