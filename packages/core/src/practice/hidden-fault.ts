import { tryableFaults, withFault, type CircuitHypothesis } from '../faults/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import type { Draw } from './problems/draw.ts';

/** Share of the largest voltage that a fault must change somewhere to be found. */
const noticed = 0.05;

/**
 * Draws a fault of the circuit whose effect is well beyond the parts' tolerances.
 *
 * @param mayBe  whether a fault may be drawn
 * @returns null if the network can have none of them
 */
export function drawFault(
  draw: Draw,
  network: Network,
  mayBe: (fault: CircuitHypothesis) => boolean,
): CircuitHypothesis | null {
  const all = network.elements
    .flatMap((element) => tryableFaults(network, element))
    .map(({ hypothesis }) => hypothesis)
    .filter(mayBe);
  // By its kind first: a network has far more of some kinds than of others.
  const shuffled = draw.shuffled([...new Set(all.map(({ fault }) => fault))]);
  for (const kind of shuffled)
    for (const one of draw.shuffled(all.filter(({ fault }) => fault === kind))) if (shows(network, one)) return one;
  return null;
}

function shows(network: Network, fault: CircuitHypothesis): boolean {
  const [sound, faulty] = [network, withFault({ network, instruments: [] }, fault).network].map(solveUnloaded);
  if (!sound?.ok || !faulty?.ok) return false;
  const before = sound.value.values.elements;
  const after = faulty.value.values.elements;
  const voltages = Object.entries(before).map(([id, { voltage }]) => [voltage ?? 0, after[id]?.voltage ?? 0] as const);
  const largest = Math.max(...voltages.map(([v]) => Math.abs(v)));
  const change = Math.max(...voltages.map(([a, b]) => Math.abs(a - b)));
  const most = Math.max(...Object.values(after).map(({ power }) => Math.abs(power ?? 0)));
  return change > noticed * largest && Number.isFinite(most);
}
