import { atItsVersion, jobFaults, solveJob } from '../../job/index.ts';
import { answerTo } from '../answer.ts';
import { makeProblem, withSolution } from './make-problem.ts';
import { markAnswers } from '../mark.ts';
import { levels, problemKinds, type Problem, type ProblemKind } from './problem.ts';
import { workingOf } from '../working.ts';
import { runs } from '../../test/runs.ts';

/** Seeds of a level: fewer if making a problem takes a diagnosis. */
const seedsOf = (kind: ProblemKind): number[] =>
  Array.from({ length: kind === 'find-fault' ? runs(25) : runs(100) }, (_, k) => k + 1);

test.each(problemKinds)('many %s problems, no two alike, each have a finite, sensible answer', (kind) => {
  const seeds = seedsOf(kind);
  const texts = new Set<string>();
  for (const level of levels)
    for (const seed of seeds) {
      const problem = makeProblem(kind, level, seed);
      texts.add(problem.text);
      expect(problem.asks.length).toBeGreaterThan(0);
      if (problem.job) {
        expect(jobFaults(problem.job)).toEqual([]);
        expect(atItsVersion(problem.job)).toBe(problem.job);
      }
      for (const ask of problem.asks) {
        const answer = answerTo(problem, ask);
        if (typeof answer === 'number') {
          expect(Number.isFinite(answer)).toBe(true);
          expect(Math.abs(answer)).toBeGreaterThan(1e-9);
          expect(Math.abs(answer)).toBeLessThan(1e8);
        } else expect(answer).not.toBeNull();
      }
    }
  expect(texts.size).toBeGreaterThan(
    levels.length * seeds.length * (kind === 'multiplier' || kind === 'shunt' ? 0.3 : 0.7),
  );
});

test.each(problemKinds)(
  '%s: the same seed gives the same problem, its own answers are right, and there is a way to them',
  (kind) => {
    for (const level of levels)
      for (const seed of [1, 2, 3, 99]) {
        const problem = withSolution(makeProblem(kind, level, seed));
        expect(withSolution(makeProblem(kind, level, seed))).toEqual(problem);
        expect(JSON.parse(JSON.stringify(problem))).toEqual(problem);
        const answers = Object.fromEntries(
          Object.entries(problem.solution!).map(([id, { value }]) => [
            id,
            typeof value === 'object' ? value : inBase(problem, id, value),
          ]),
        );
        const { marks } = markAnswers(problem, answers);
        for (const ask of problem.asks) {
          expect(marks[ask.id]).toMatchObject({ right: true, slip: null });
          expect(workingOf(problem, ask).length).toBeGreaterThan(0);
        }
      }
  },
);

/** A value as one would hand it in, in the unit without a prefix. */
function inBase({ asks }: Problem, id: string, value: number | string): string {
  if (typeof value === 'string') return value;
  const { unit } = asks.find((ask) => ask.id === id)!;
  return unit === '%' ? `${(value * 100).toPrecision(6)} %` : `${value.toPrecision(6)} ${unit!.slice(-1)}`;
}

test('the circuits are sound jobs, no part of them too hot, no two resistors alike', () => {
  for (const kind of problemKinds)
    for (const level of levels) {
      const { job, design } = makeProblem(kind, level, 5);
      expect(Boolean(job) !== Boolean(design)).toBe(true);
      if (!job) continue;
      expect(jobFaults(job)).toEqual([]);
      const solved = solveJob(job);
      if (!solved.ok) throw new Error(solved.fault.message);
      const resistances = job.network.elements.flatMap((one) => (one.kind === 'resistor' ? [one.resistance] : []));
      expect(new Set(resistances).size).toBe(resistances.length);
      for (const [id, { power }] of Object.entries(solved.value.true.elements))
        if (id.startsWith('R')) expect(power!).toBeLessThan(10);
    }
});

test('readings that a fault is to be found from leave one explanation, and a wrong one is refused', () => {
  for (const seed of [1, 2, 3, 4, 5, 6]) {
    const problem = makeProblem('find-fault', 2, seed);
    const expected = answerTo(problem, problem.asks[0]!);
    if (typeof expected !== 'object' || expected === null) throw new Error('no fault');
    const mark = (answer: { fault: string; where: readonly string[]; value?: unknown }) =>
      markAnswers(problem, { a: answer as never }).marks.a!;
    expect(mark(expected).right).toBe(true);
    expect(mark({ ...expected, where: [...expected.where].reverse() }).right).toBe(true);
    expect(mark({ fault: 'open', where: ['R1'], value: null }).right).toBe(false);
    expect(mark({ ...expected, where: ['R9'] })).toMatchObject({
      right: false,
      text: expect.stringContaining('wrong place'),
    });
    expect(markAnswers(problem, { a: JSON.stringify(expected) }).marks.a!.right).toBe(true);
    expect(markAnswers(problem, { a: 'the lamp' }).marks.a).toMatchObject({ right: false, slip: null });
  }
});
