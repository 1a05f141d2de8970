import { findRange, type Instrument } from '../instrument/index.ts';
import { setupFaults } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import type { Reading } from './reading.ts';
import { setupOf } from './setup-of.ts';
import { placedIn } from './unloaded-source.ts';

/** Returns the reason why a reading has no expected value, in words. */
export function notComparableReason(network: Network, instruments: readonly Instrument[], reading: Reading): string {
  const instrument = instruments.find(({ id }) => id === reading.instrument);
  if (!instrument) return 'its instrument is not in this job';
  if (!findRange(instrument, reading.quantity, reading.range)) return 'its instrument has no such range';
  if (reading.quantity === 'resistance')
    return network.elements.some(({ id, kind }) => id === reading.element && kind === 'resistor')
      ? 'nothing determines a value there'
      : 'the network has no such resistor';
  const placed = placedIn(network, reading);
  const isThere = placed && setupFaults(placed.network, instruments, setupOf(placed.reading)).length === 0;
  return isThere ? 'nothing determines a value there' : 'its measurement point is not in the network';
}
