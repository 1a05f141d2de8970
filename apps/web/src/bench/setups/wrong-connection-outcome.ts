import { solveWrongConnection, wrongConnectionsOf, type WrongConnection } from '@usual-drag/core/faults';
import type { WrongConnectionIn } from '../model/use-wrong-connection.ts';

/** Solves a set-up with one meter connected wrongly; null if the meter is gone or cannot be connected in that way. */
export const outcomeOf =
  (meter: string, connection: WrongConnection): WrongConnectionIn =>
  (unloaded, instruments, setup, right) => {
    const placed = setup.meters.find(({ id }) => id === meter);
    const instrument = instruments.find(({ id }) => id === placed?.instrument);
    if (!placed || !instrument || !wrongConnectionsOf(placed, instrument).includes(connection)) return null;
    const solved = solveWrongConnection(unloaded, instruments, setup, right, meter, connection);
    if (solved.ok) return solved;
    const message =
      'Only ideal sources and links limit the current here, so it has no finite value. Enter the internal resistance of the source.';
    return {
      ok: false,
      fault: { code: solved.fault.code === 'out-of-range' ? 'invalid-value' : solved.fault.code, message, where: [] },
    };
  };
