import { atItsVersion } from '../../job/index.ts';
import { answerTo } from '../answer.ts';
import { equivalentProblem, powerProblem, voltagesProblem, type Drafted } from './circuit-problems.ts';
import { isClear } from './clear-problem.ts';
import { multiplierProblem, shuntProblem } from './design-problems.ts';
import { Draw } from './draw.ts';
import { findFaultProblem } from './find-fault-problem.ts';
import { bothMetersProblem, correctProblem, meterProblem, rangeProblem } from './meter-problems.ts';
import { readNeedleProblem } from './read-needle-problem.ts';
import { setMeterProblem } from './set-meter-problem.ts';
import type { Answer, Level, Problem, ProblemKind } from './problem.ts';

const drafts: Readonly<Record<ProblemKind, (draw: Draw, level: Level) => Drafted | null>> = {
  equivalent: equivalentProblem,
  'voltages-currents': voltagesProblem,
  'power-charge': powerProblem,
  voltmeter: meterProblem('dc-voltage'),
  ammeter: meterProblem('dc-current'),
  'both-meters': bothMetersProblem,
  correct: correctProblem,
  range: rangeProblem,
  'read-needle': readNeedleProblem,
  'set-meter': setMeterProblem,
  shunt: shuntProblem,
  multiplier: multiplierProblem,
  'find-fault': findFaultProblem,
};

/** Tries of a draft, and of drafts that are compared for a clear one. */
const mostTries = { drafts: 400, looked: 4 };

/** Kinds whose answers are chosen, or whose mistakes are at known places. */
const unmistakable: readonly ProblemKind[] = ['find-fault', 'range', 'read-needle', 'set-meter'];

/**
 * A problem: the same one from the same kind, level and seed, anywhere. Circuits are drawn until one has answers that are
 * sensible and in which the common mistakes can be distinguished.
 */
export function makeProblem(kind: ProblemKind, level: Level, seed: number): Problem {
  const draw = new Draw('problem', kind, level, seed);
  let last: Problem | null = null;
  for (let tries = 0, looked = 0; tries < mostTries.drafts && looked < mostTries.looked; tries += 1) {
    const drafted = drafts[kind](draw, level);
    if (!drafted) continue;
    looked += 1;
    const { text, job, design, asks } = drafted;
    last = {
      format: 'usual-drag/problem',
      version: 1,
      kind,
      level,
      seed,
      text,
      ...(job && { job: atItsVersion(job) }),
      ...(design && { design }),
      asks,
    };
    if (unmistakable.includes(kind) || isClear(last)) return last;
  }
  if (last) return last;
  throw new Error(`no ${kind} problem of level ${level} from seed ${seed}`);
}

/** The problem with the right answers beside it. */
export const withSolution = (problem: Problem): Problem => ({
  ...problem,
  solution: Object.fromEntries(
    problem.asks.flatMap((ask): [string, { readonly value: Answer }][] => {
      const value = answerTo(problem, ask);
      return value === null ? [] : [[ask.id, { value }]];
    }),
  ),
});
