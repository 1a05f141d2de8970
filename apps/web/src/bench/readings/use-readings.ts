import type { Network } from '@usual-drag/core/network';
import { displayToExpect, findRange, type Instrument } from '@usual-drag/core/instrument';
import {
  comparisonOf,
  expectationsOf,
  type ComparedReading,
  type Comparison,
  type Conventions,
  type CountedReading,
  type Expectation,
  type Reading,
} from '@usual-drag/core/readings';
import { makePlan, readingsAt, type Depth, type Plan, type PlanStep } from '@usual-drag/core/plan';
import { networkMeant, readingsMeant } from '@usual-drag/core/job';
import { useCallback, useMemo } from 'react';
import { newest } from '../../ui/newest.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { useReadingEntry } from '../model/reading-entry.ts';

export interface Readings {
  readonly plan: Plan | null;
  readonly steps: readonly PlanStep[];
  /** The step that is open. */
  readonly open: PlanStep | null;
  readonly readings: readonly Reading[];
  readonly conventions: Conventions;
  readonly comparison: Comparison | null;
  /** Readings that count, with what was worked out for each. */
  readonly counted: readonly CountedReading[];
  /** A reading against its expectation; null if it is struck out or the network cannot be solved. */
  comparedAs(reading: Reading): ComparedReading | null;
  expect(reading: Reading): Expectation | null;
  /** Compares a reading that is not in the job yet; null if the network cannot be solved. */
  compare(reading: Reading): ComparedReading | null;
}

const none: readonly Reading[] = [];
const usual: Conventions = {};

/** The plan, how far it has come, and every reading against what was to be expected, followed live. */
export function useReadings({ job, instruments, unloaded }: BenchView): Readings {
  const depth = useReadingEntry((state) => state.depth);
  const asked = useReadingEntry((state) => state.step);
  const { conventions = usual } = job;
  const readings = readingsMeant(job) ?? none;
  const network = networkMeant(job);
  const plan = planOf(network, instruments, conventions, depth);
  const steps = useMemo(
    () => (plan ? plan.steps.map((step) => withOwnError(step, instruments)) : []),
    [plan, instruments],
  );
  const expectations = useMemo(
    () => (unloaded.ok ? expectationsOf(unloaded.value, instruments) : null),
    [unloaded, instruments],
  );
  const comparison = useMemo(
    () =>
      unloaded.ok ? comparisonOf(unloaded.value, instruments, conventions, readings, { expect: expectations! }) : null,
    [unloaded, instruments, conventions, readings, expectations],
  );
  const comparedAs = useCallback(
    (reading: Reading): ComparedReading | null => comparison?.readings[reading.id] ?? null,
    [comparison],
  );
  const counted = useMemo(
    () =>
      readings.flatMap((reading): CountedReading[] => {
        const compared = comparison?.readings[reading.id];
        return compared ? [{ reading, compared, expectation: expectations!(reading) }] : [];
      }),
    [readings, comparison, expectations],
  );
  const open = steps.find(({ id }) => id === asked) ?? firstToDo(steps, readings) ?? null;
  const expect = (reading: Reading): Expectation | null => expectations?.(reading) ?? null;
  const compare = (reading: Reading): ComparedReading | null =>
    unloaded.ok
      ? comparisonOf(unloaded.value, instruments, conventions, [reading], { corrected: 'none' }).readings[reading.id]!
      : null;
  return { plan, steps, open, readings, conventions, comparison, counted, comparedAs, expect, compare };
}

/** Panel, drawing and log follow the same plan: it is made once for all of them. */
const planOf = newest(
  (network: Network, instruments: readonly Instrument[], conventions: Conventions, depth: Depth): Plan | null => {
    const made = makePlan({ network, instruments, conventions }, depth);
    return made.ok ? made.value : null;
  },
);

/** A step with the display that an instrument of known error will have. */
function withOwnError(step: PlanStep, instruments: readonly Instrument[]): PlanStep {
  const instrument = step.do === 'read' ? instruments.find(({ id }) => id === step.instrument) : undefined;
  if (step.do !== 'read' || !instrument) return step;
  const range = findRange(instrument, step.quantity, step.range);
  if (!range?.calibration) return step;
  const { display, unit } = displayToExpect(instrument, step.quantity, range, step.expected);
  return { ...step, display: display ?? '', unit };
}

/** The first reading that is still to be taken, with the break before it; the end where all are. */
function firstToDo(steps: readonly PlanStep[], readings: readonly Reading[]): PlanStep | undefined {
  const isDone = (step: PlanStep): boolean => step.do === 'read' && readingsAt(readings, step).length > 0;
  const index = steps.findIndex((step) => step.do === 'read' && !isDone(step));
  if (index === -1) return steps.at(-1);
  const done = steps.findLastIndex((step, at) => at < index && isDone(step));
  return steps[done === -1 ? 0 : Math.min(done + 1, index)];
}
