import {
  type Instrument,
  type Setup,
  type SetupValues,
  type WrongConnection,
  type WrongConnectionOutcome,
  type Result,
  type SolverFault,
  type Unloaded,
} from '@usual-drag/core';
import { useMemo, useState } from 'react';
import type { Solved } from '../model/analysis.ts';

/** A wrong connection that is tried on a meter. */
export interface AskedConnection {
  readonly meter: string;
  readonly connection: WrongConnection;
  /** Solves it; comes with the tab that asks, which is not in the first load. */
  readonly solve: (
    unloaded: Unloaded,
    instruments: readonly Instrument[],
    setup: Setup,
    right: SetupValues,
    meter: string,
    connection: WrongConnection,
  ) => Result<WrongConnectionOutcome, SolverFault> | null;
}

/** A wrong connection tried out on one meter of the set-up that is shown. It is no part of the job, and gone when the meter moves. */
export function useWrongConnection(
  unloaded: Solved<Unloaded>,
  instruments: readonly Instrument[],
  setup: Setup | undefined,
  right: Solved<SetupValues> | null,
) {
  const [asked, setAsked] = useState<(AskedConnection & { readonly of: Setup }) | null>(null);
  const current = asked && asked.of === setup ? asked : null;
  const outcome = useMemo((): Solved<WrongConnectionOutcome> | null => {
    if (!current || !unloaded.ok || !right?.ok) return null;
    const solved = current.solve(
      unloaded.value,
      instruments,
      current.of,
      right.value,
      current.meter,
      current.connection,
    );
    if (!solved || solved.ok) return solved;
    const message =
      'Only ideal sources and links limit the current here, so it has no finite value. Enter the internal resistance of the source.';
    return {
      ok: false,
      fault: { code: solved.fault.code === 'out-of-range' ? 'invalid-value' : solved.fault.code, message, where: [] },
    };
  }, [current, unloaded, instruments, right]);
  return {
    asked: current,
    outcome,
    ask: (next: AskedConnection | null) => setAsked(next && setup ? { ...next, of: setup } : null),
  };
}

export type ConnectionTrial = ReturnType<typeof useWrongConnection>;
