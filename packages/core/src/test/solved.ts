import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';

/** Returns a solved network; throws the code of the fault of one that cannot be solved. */
export function solved(network: Network): Unloaded {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  return unloaded.value;
}

/** Returns the instrument `k` with voltage ranges v0, v1 … and current ranges a0, a1 … of some resistances, Ω. */
export const instrumentOf = (resistances: readonly number[]): Instrument => ({
  id: 'k',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: resistances.map((resistance, index) => ({ id: `v${index}`, fullScale: 1000, resistance })),
    },
    {
      quantity: 'dc-current',
      ranges: resistances.map((resistance, index) => ({ id: `a${index}`, fullScale: 1000, resistance })),
    },
  ],
});
