import { fail, ok, type Result } from '../../result.ts';
import { levels, problemKinds, type Level, type ProblemKind } from './problem.ts';

/** Problems that a trainer sets, for others to open: `*.series.json`. */
export interface ProblemSeries {
  readonly format: 'usual-drag/problem-series';
  readonly version: 1;
  readonly title: string;
  readonly problems: readonly SetProblem[];
}

/** One problem of a series: it is the same for everybody. */
export interface SetProblem {
  readonly kind: ProblemKind;
  readonly level: Level;
  readonly seed: number;
}

/** Problems of a series at most. */
const longest = 200;

/** A series of some kinds in turn, each problem with a seed of its own. */
export const newSeries = (
  title: string,
  kinds: readonly ProblemKind[],
  level: Level,
  count: number,
  seed: number,
): ProblemSeries => ({
  format: 'usual-drag/problem-series',
  version: 1,
  title,
  problems: Array.from({ length: count }, (_, k) => ({ kind: kinds[k % kinds.length]!, level, seed: seed + k })),
});

/** Reads the text of a series: ready to be worked, or what is wrong with it, in words. */
export function readSeries(text: string): Result<ProblemSeries, string> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return fail('This is not JSON: choose a file that was saved as a series of problems.');
  }
  const { format, version, title, problems, ...rest } = (parsed ?? {}) as Partial<ProblemSeries>;
  if (format !== 'usual-drag/problem-series' || version !== 1)
    return fail('This is no series of problems: its format must be usual-drag/problem-series, version 1.');
  const [unknown] = Object.keys(rest);
  if (unknown !== undefined) return fail(`${unknown} is not a key of this format. Remove it.`);
  if (typeof title !== 'string' || title.length > 200) return fail('title must be text of 200 characters at most.');
  if (!Array.isArray(problems) || problems.length === 0 || problems.length > longest)
    return fail(`problems must be a list of 1 to ${longest}.`);
  const wrong = problems.findIndex((one) => !isSetProblem(one));
  if (wrong >= 0)
    return fail(
      `problems[${wrong}] must have a kind (${problemKinds.join(', ')}), a level from 1 to 3 and a whole seed.`,
    );
  return ok({ format, version, title, problems: problems as readonly SetProblem[] });
}

function isSetProblem(one: unknown): one is SetProblem {
  if (typeof one !== 'object' || one === null) return false;
  const { kind, level, seed, ...rest } = one as Partial<SetProblem>;
  return (
    problemKinds.some((known) => known === kind) &&
    levels.some((known) => known === level) &&
    Number.isSafeInteger(seed) &&
    Object.keys(rest).length === 0
  );
}
