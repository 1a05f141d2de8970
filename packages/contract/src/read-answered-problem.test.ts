import { levels, makeProblem, problemKinds, withSolution } from '@usual-drag/core/practice';
import { readAnsweredProblem } from './read-answered-problem.ts';

test.each(problemKinds)('every %s problem is read as it is printed, with its answers', (kind) => {
  for (const level of levels)
    for (const seed of [1, 2, 3, 4, 5]) {
      const problem = withSolution(makeProblem(kind, level, seed));
      const answers = Object.fromEntries(
        Object.entries(problem.solution!).map(([id, { value }]) => [
          id,
          typeof value === 'object' ? value : `${value}`,
        ]),
      );
      expect(readAnsweredProblem(JSON.stringify({ problem, answers }))).toEqual({
        ok: true,
        value: { problem, answers },
      });
    }
});

const problem = makeProblem('voltmeter', 1, 7);
const refusal = (changed: object): string | undefined => {
  const read = readAnsweredProblem(JSON.stringify({ problem, answers: { a: '1 V' }, ...changed }));
  return read.ok ? undefined : read.fault[0]!.where[0];
};

test.each([
  [{ answers: { b: '1 V' } }, 'answers.b'],
  [{ answers: { a: 4 } }, 'answers.a'],
  [{ answers: { a: { fault: 'open' } } }, 'answers.a'],
  [{ answers: 'a' }, 'answers'],
  [{ problem: { ...problem, level: 4 } }, 'problem.level'],
  [{ problem: { ...problem, hint: 'no' } }, 'problem.hint'],
  [{ problem: { ...problem, asks: [{ ...problem.asks[0]!, unit: 'kg' }] } }, 'a'],
  [{ problem: { ...problem, asks: [{ ...problem.asks[0]!, of: { what: 'tea' } }] } }, 'problem.asks[0].of.what'],
  [{ problem: { ...problem, asks: [{ ...problem.asks[0]!, of: { what: 'indicated' } }] } }, 'problem.asks[0].of.setup'],
  [{ more: 1 }, 'more'],
])('%j is refused at %s', (changed, where) => {
  expect(refusal(changed)).toBe(where);
});
