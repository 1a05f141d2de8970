import { displayState, findRange, shownOn, type Instrument, type MeterState, type Range } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import {
  solveSetup,
  solveUnloaded,
  type Caution,
  type Meter,
  type MeterReading,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '../loading/index.ts';
import { handledAs, probeId, type WrongConnection } from './connect-wrongly.ts';
import { wordsFor } from './wrong-connection-words.ts';

/** Effect of a wrongly connected meter on the circuit, its display, and the way out. */
export interface WrongConnectionOutcome {
  /** Set-up with the meter as it is really connected; without it if it is in no circuit. */
  readonly setup: Setup;
  /** Every value with the wrong connection in; `true` stays what it is with the meter in its right place. */
  readonly values: SetupValues;
  /** A that ran through the instrument before its fuse blew, or runs; null if none does. */
  readonly surge: number | null;
  readonly caution: Caution;
}

/**
 * Solves a set-up with one of its meters handled wrongly.
 *
 * @param right  the same set-up handled rightly
 */
export function solveWrongConnection(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  right: SetupValues,
  meterId: string,
  fault: WrongConnection,
): Result<WrongConnectionOutcome, SolverFault> {
  const meter = setup.meters.find(({ id }) => id === meterId)!;
  const instrument = instruments.find(({ id }) => id === meter.instrument)!;
  const range = findRange(instrument, meter.quantity, meter.range)!;
  const wrong = handledAs(unloaded.network, meter, instrument, range, fault);
  const connected = (own: Meter | null): Setup => ({
    ...setup,
    meters: setup.meters.flatMap((other) => (other.id !== meterId ? [other] : own ? [own] : [])),
  });
  const solve = (network: Network, own: Meter | null) => {
    const bare = network === unloaded.network ? ok(unloaded) : solveUnloaded(network);
    return bare.ok ? solveSetup(bare.value, instruments, connected(own)) : bare;
  };

  const first = solve(wrong.network, wrong.solvedAs);
  if (!first.ok) return first;
  const surge = wrong.probe ? (first.value.elements[probeId]?.current ?? null) : null;
  const blows = wrong.probe?.fuse !== undefined && Math.abs(surge ?? 0) > wrong.probe.fuse;
  const solved = blows ? solve(unloaded.network, null) : first;
  if (!solved.ok) return solved;

  const indicated =
    fault === 'across' && !blows
      ? surge
      : wrong.solvedAs
        ? (solved.value.meters[meterId]?.indicated ?? null)
        : fault === 'hanging' && meter.quantity === 'dc-voltage'
          ? null
          : 0;
  const base = right.meters[meterId]!;
  const state = blows || fault === 'blown-fuse' ? 'fuse-blown' : stateFor(instrument, range, indicated);
  const meters: Record<string, MeterReading> = {};
  for (const other of setup.meters) {
    const truth = right.meters[other.id]!.true;
    if (other.id !== meterId) meters[other.id] = against(solved.value.meters[other.id]!, truth);
    else
      meters[meterId] = against(
        { ...base, indicated, state, ...shownOn(instrument, meter.quantity, range, indicated) },
        truth,
      );
  }
  return ok({
    setup: connected(wrong.drawnAs),
    values: { ...solved.value, meters },
    surge,
    caution: { about: meterId, ...wordsFor(fault, { meter, instrument, range, surge, blows, probe: wrong.probe }) },
  });
}

const against = (reading: MeterReading, truth: number | null): MeterReading => {
  const error = reading.indicated === null || truth === null ? null : reading.indicated - truth;
  return { ...reading, true: truth, error, relativeError: error === null || !truth ? null : error / truth };
};

const stateFor = (instrument: Instrument, range: Range, indicated: number | null): MeterState =>
  indicated === null ? 'floating' : displayState(instrument, range, indicated);
