import { readAnsweredProblem } from '@usual-drag/contract';
import { levels, makeProblem, markAnswers, problemKinds, withSolution } from '@usual-drag/core/practice';
import { refused, type Output } from './output.ts';

export interface PracticeOptions {
  readonly kind: string | undefined;
  readonly level: string;
  readonly seed: string;
  readonly solution: boolean;
}

/** A problem of a kind and level from a seed; an error if one of them is not there. */
export function practiceProblem({ kind: wanted, level: typed, seed: number, solution }: PracticeOptions): Output {
  const refuse = (where: string, message: string): Output =>
    refused({ code: 'invalid-value', message, where: [where] });
  const kind = problemKinds.find((one) => one === wanted);
  if (!kind) return refuse('kind', `--kind must be one of ${problemKinds.join(', ')}.`);
  const level = levels.find((one) => String(one) === typed);
  if (!level) return refuse('level', '--level must be 1, 2 or 3.');
  if (!/^-?\d{1,15}$/.test(number)) return refuse('seed', '--seed must be a whole number.');
  const problem = makeProblem(kind, level, Number(number));
  return { output: solution ? withSolution(problem) : problem, solved: true };
}

/** The marks of one file of a problem and its answers, or its first fault. */
export function markFile(text: string): Output {
  const answered = readAnsweredProblem(text);
  if (!answered.ok) return refused(answered.fault[0]!);
  const { problem, answers } = answered.value;
  return { output: markAnswers(problem, answers), solved: true };
}
