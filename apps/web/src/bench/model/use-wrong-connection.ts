import type { Instrument } from '@usual-drag/core/instrument';
import type { Setup, SetupValues, Unloaded } from '@usual-drag/core/loading';
import {
  solveWrongConnection,
  wrongConnectionsOf,
  type WrongConnection,
  type WrongConnectionOutcome,
} from '@usual-drag/core/faults';
import { useMemo, useState } from 'react';
import type { Solved } from './analysis.ts';

/** A wrong connection that is tried on a meter. */
interface TriedConnection {
  readonly meter: string;
  readonly connection: WrongConnection;
}

/**
 * A wrong connection that is tried on one meter of the displayed set-up. It is not part of the job, and ends when the meter is
 * moved.
 */
export function useWrongConnection(
  unloaded: Solved<Unloaded>,
  instruments: readonly Instrument[],
  setup: Setup | undefined,
  right: Solved<SetupValues> | null,
) {
  const [tried, setTried] = useState<(TriedConnection & { readonly of: Setup }) | null>(null);
  const current = tried && tried.of === setup ? tried : null;
  const outcome = useMemo((): Solved<WrongConnectionOutcome> | null => {
    if (!current || !unloaded.ok || !right?.ok) return null;
    const { of, meter, connection } = current;
    const placed = of.meters.find(({ id }) => id === meter);
    const instrument = instruments.find(({ id }) => id === placed?.instrument);
    if (!placed || !instrument || !wrongConnectionsOf(placed, instrument).includes(connection)) return null;
    const solved = solveWrongConnection(unloaded.value, instruments, of, right.value, meter, connection);
    if (solved.ok) return solved;
    const message =
      'Only ideal sources and links limit the current here, so it has no finite value. Enter the internal resistance of the source.';
    return {
      ok: false,
      fault: { code: solved.fault.code === 'out-of-range' ? 'invalid-value' : solved.fault.code, message, where: [] },
    };
  }, [current, unloaded, instruments, right]);
  return {
    tried: current,
    outcome,
    tryConnection: (next: TriedConnection | null) => setTried(next && setup ? { ...next, of: setup } : null),
  };
}

export type ConnectionTrial = ReturnType<typeof useWrongConnection>;
