import type { Instrument } from '../instrument/index.ts';
import { ok, type Result } from '../result.ts';
import { sumOf } from '../quantity/index.ts';
import type { SolverFault } from '../solver/index.ts';
import type { Setup } from './setup.ts';
import { solveSetup, type MeterReading } from './solve-setup.ts';
import { type Unloaded } from './unloaded.ts';

/** One meter of a set-up, read with all the others connected and read alone. */
export interface TogetherAndApart {
  readonly meter: string;
  readonly together: MeterReading;
  readonly alone: MeterReading;
  /** V or A that the others move it by; null if either reads nothing. */
  readonly shift: number | null;
}

/** Every meter of a set-up connected together and one at a time, in their order. */
export function togetherAndApart(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
): Result<readonly TogetherAndApart[], SolverFault> {
  const all = solveSetup(unloaded, instruments, setup);
  if (!all.ok) return all;
  const compared: TogetherAndApart[] = [];
  for (const meter of setup.meters) {
    const single = solveSetup(unloaded, instruments, { ...setup, meters: [meter] });
    if (!single.ok) return single;
    const [together, alone] = [all.value.meters[meter.id]!, single.value.meters[meter.id]!];
    const shift =
      together.indicated === null || alone.indicated === null ? null : sumOf([together.indicated, -alone.indicated]);
    compared.push({ meter: meter.id, together, alone, shift });
  }
  return ok(compared);
}

/** Share of an error by which reading alone has to be better: less is not seen in the three digits of a percentage. */
const noticeable = 0.005;

/**
 * Returns the meters that are nearer to the true value with the others disconnected, and can then be read, those with the
 * largest error first.
 */
export const betterAlone = (compared: readonly TogetherAndApart[]): TogetherAndApart[] =>
  compared
    .filter(({ together, alone }) => {
      if (alone.state !== 'ok' || alone.error === null) return false;
      if (together.state !== 'ok') return true;
      return Math.abs(alone.error) < Math.abs(together.error ?? 0) * (1 - noticeable);
    })
    .sort((a, b) => Math.abs(b.together.relativeError ?? 0) - Math.abs(a.together.relativeError ?? 0));
