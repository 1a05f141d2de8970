import { solveUnloaded, type Unloaded, type VoltmeterPlacement } from '../loading/index.ts';
import type { Element } from '../network/index.ts';
import { formatQuantity } from '../quantity/index.ts';
import type { Hypothesis } from './kinds/index.ts';
import type { WrongConnection } from './connect-wrongly.ts';
import { withFault } from './hypothesis.ts';

/** Share of the current before that still counts as none. */
const noCurrent = 1e-9;

/** One of the classic readings of a voltmeter that mislead, at its place in a network. */
export interface MisleadingReading {
  readonly name: string;
  /** Display of the meter, and the wrong conclusion from it. */
  readonly words: string;
  /** The check that exposes it. */
  readonly check: string;
  /** Cause: the meter is connected wrongly, or the circuit has a fault. */
  readonly cause: { readonly connection: WrongConnection } | { readonly fault: Hypothesis };
}

/**
 * The four classic wrong voltage readings at a voltmeter's place: both leads on one point; one lead in no circuit; across a part
 * in an open circuit; across the opening itself. The last two where the place has them.
 */
export function misleadingReadings(unloaded: Unloaded, meter: VoltmeterPlacement): MisleadingReading[] {
  const { id, red, black } = meter;
  return [
    {
      name: 'both leads on one point',
      words: `${id} shows 0 whatever the circuit does: both leads are on ${red}.`,
      check: 'Move one lead to another point: a reading that stays 0 everywhere is the meter’s or the supply’s.',
      cause: { connection: 'one-point' },
    },
    {
      name: 'one lead in no circuit',
      words: `${id} shows 0 or wanders, and the circuit may be live: one lead touches nothing.`,
      check: 'Prove the meter on a known source before and after; press the lead on and read again.',
      cause: { connection: 'hanging' },
    },
    ...acrossInOpenCircuit(unloaded, meter),
    ...acrossOpening(unloaded, meter, red, black),
  ];
}

/** A part elsewhere is open, so that nothing flows in the one under the meter. */
function acrossInOpenCircuit(unloaded: Unloaded, meter: VoltmeterPlacement): MisleadingReading[] {
  const { network } = unloaded;
  const under = partsUnder(unloaded, meter);
  const before = voltageAt(unloaded, meter);
  if (under.length === 0 || !before) return [];
  const rank = ({ kind }: Element): number => (kind === 'source' || kind === 'current-source' ? 1 : 0);
  const opened = [...network.elements]
    .sort((a, b) => rank(a) - rank(b))
    .find((element) => {
      if (under.includes(element) || element.kind === 'current-source') return false;
      const after = voltageOpen(unloaded, element, meter);
      return after !== null && Math.abs(after) < noCurrent * Math.abs(before);
    });
  if (!opened) return [];
  const part = under[0]!.id;
  return [
    {
      name: 'across a part in an open circuit',
      words: `${opened.id} is open, so nothing flows: ${meter.id} shows 0 across ${part}, which is sound and looks shorted.`,
      check: `Read across the supply, then part by part: across ${opened.id} the whole voltage stands.`,
      cause: { fault: { fault: 'open', where: [opened.id], value: null } },
    },
  ];
}

/** The part under the meter is the open one: the full driving voltage is across it. */
function acrossOpening(unloaded: Unloaded, meter: VoltmeterPlacement, red: string, black: string): MisleadingReading[] {
  const under = partsUnder(unloaded, meter);
  const [part] = under;
  if (under.length !== 1 || !part || part.kind === 'source' || part.kind === 'current-source') return [];
  const before = voltageAt(unloaded, meter);
  const after = voltageOpen(unloaded, part, meter);
  if (before === null || after === null || Math.abs(after) <= Math.abs(before)) return [];
  const volts = formatQuantity(Math.abs(after), 'V', { digits: 4, trim: true });
  return [
    {
      name: 'across the opening itself',
      words: `${part.id} is open: ${volts} stand between ${red} and ${black}, all that drives it, and it looks as if ${part.id} dropped them.`,
      check: `Read the current, or the voltage across the part next to it: nothing there. Supply off, measure ${part.id}.`,
      cause: { fault: { fault: 'open', where: [part.id], value: null } },
    },
  ];
}

const partsUnder = ({ network }: Unloaded, { red, black }: VoltmeterPlacement): Element[] =>
  network.elements.filter(({ from, to }) => (from === red && to === black) || (from === black && to === red));

const voltageAt = ({ values: { nodes } }: Unloaded, { red, black }: VoltmeterPlacement): number | null => {
  const [above, below] = [nodes[red] ?? null, nodes[black] ?? null];
  return above === null || below === null ? null : above - below;
};

/** V at the meter's place with a part open; null if nothing determines it. */
function voltageOpen({ network }: Unloaded, element: Element, meter: VoltmeterPlacement): number | null {
  const hypothesis: Hypothesis = { fault: 'open', where: [element.id], value: null };
  const solved = solveUnloaded(withFault({ network, instruments: [] }, hypothesis).network);
  return solved.ok ? voltageAt(solved.value, meter) : null;
}
