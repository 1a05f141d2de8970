import { fail, type Result } from '@usual-drag/core/result';
import { designFaults } from '@usual-drag/core/workshop';
import { jobFaults } from '@usual-drag/core/job';
import type { GivenAnswer, Problem } from '@usual-drag/core/practice';
import { parseJson, shapeCheck, type FileFault } from './shape-faults.ts';

/** A problem and the answers to be marked. */
export interface AnsweredProblem {
  readonly problem: Problem;
  readonly answers: Readonly<Record<string, GivenAnswer>>;
}

const checkShape = shapeCheck<AnsweredProblem>('answeredProblem');

/** Reads the text of a problem with answers: ready to be marked, or every fault found. */
export function readAnsweredProblem(text: string): Result<AnsweredProblem, readonly FileFault[]> {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const shaped = checkShape(parsed.value);
  if (!shaped.ok) return shaped;
  const { problem, answers } = shaped.value;
  const faults: FileFault[] = [
    ...(problem.job ? jobFaults(problem.job).map((fault) => ({ ...fault, path: 'problem.job' })) : []),
    ...(problem.design
      ? designFaults(problem.design).map(({ message, where }): FileFault => ({
          code: 'invalid-value',
          message,
          where,
          path: 'problem.design',
        }))
      : []),
    ...Object.entries(answers).flatMap(([id, answer]) => answerFaults(id, answer, problem)),
  ];
  return faults.length === 0 ? shaped : fail(faults);
}

function answerFaults(id: string, answer: unknown, { asks }: Problem): FileFault[] {
  const path = `answers.${id}`;
  const refuse = (message: string): FileFault[] => [{ code: 'invalid-value', message, where: [path], path }];
  if (!asks.some((ask) => ask.id === id)) return refuse(`${path} answers no question of this problem.`);
  if (typeof answer === 'string') return [];
  const { fault, where } = (answer ?? {}) as { fault?: unknown; where?: unknown };
  const isFault = typeof fault === 'string' && Array.isArray(where) && where.every((one) => typeof one === 'string');
  return isFault ? [] : refuse(`${path} must be text, or a fault with "fault" and "where".`);
}
