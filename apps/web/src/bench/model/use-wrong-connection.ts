import type { WrongConnection, WrongConnectionOutcome } from '@usual-drag/core/faults';
import type { Instrument } from '@usual-drag/core/instrument';
import type { Setup, SetupValues, Unloaded } from '@usual-drag/core/loading';
import { useMemo, useState } from 'react';
import type { Solved } from './analysis.ts';

/** Solves a set-up with a wrong connection in it; null if the set-up no longer has the meter. */
export type WrongConnectionIn = (
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  right: SetupValues,
) => Solved<WrongConnectionOutcome> | null;

/** A wrong connection that is tried on a meter, with its solver, so that the bench loads without that code. */
interface TriedConnection {
  readonly meter: string;
  readonly connection: WrongConnection;
  readonly outcome: WrongConnectionIn;
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
  const outcome = useMemo(
    () =>
      current && unloaded.ok && right?.ok
        ? current.outcome(unloaded.value, instruments, current.of, right.value)
        : null,
    [current, unloaded, instruments, right],
  );
  return {
    tried: current,
    outcome,
    tryConnection: (next: TriedConnection | null) => setTried(next && setup ? { ...next, of: setup } : null),
  };
}

export type ConnectionTrial = ReturnType<typeof useWrongConnection>;
