import { answerTo } from '../answer.ts';
import { markAnswer } from '../mark.ts';
import { halfDivision } from '../../workshop/index.ts';
import { dialInUse } from '../needle.ts';
import { makeProblem } from './make-problem.ts';
import { levels, type Ask, type Problem } from './problem.ts';

/** The question about the needle, the instrument's scales, and the unit's factor. */
function needleOf(problem: Problem) {
  const [ask] = problem.asks as readonly [Ask];
  const meter = problem.job!.setups![0]!.meters[0]!;
  const dial = dialInUse(problem.job!.instruments![0]!, meter.quantity, meter.range)!;
  return { ask, dial, value: answerTo(problem, ask) as number, base: meter.quantity === 'dc-voltage' ? 'V' : 'A' };
}

describe('read the needle', () => {
  test('an answer is right within half a division, and no further', () => {
    let tried = 0;
    for (const level of levels)
      for (let seed = 1; seed <= 15; seed += 1) {
        const problem = makeProblem('read-needle', level, seed);
        const { ask, dial, value, base } = needleOf(problem);
        const half = halfDivision(dial.scale, dial.range);
        const mark = (answer: number) => markAnswer(problem, ask, `${answer} ${base}`).right;
        expect([mark(value), mark(value + 0.9 * half), mark(value - 0.9 * half)]).toEqual([true, true, true]);
        // Far from the half per cent that any answer may be off.
        expect([mark(value + 3 * half), mark(value - 3 * half)]).toEqual([false, false]);
        tried += 1;
      }
    expect(tried).toBe(45);
  });

  test('level 1 has a scale that ends at the range, the others one whose figures are converted', () => {
    for (const level of levels)
      for (let seed = 1; seed <= 10; seed += 1) {
        const { dial } = needleOf(makeProblem('read-needle', level, seed));
        const isDirect = Math.abs(dial.scale.fullScale / dial.range.fullScale - 1) < 1e-9;
        expect(isDirect).toBe(level === 1);
      }
  });

  test('another scale, a figure that was not converted, and a wrong prefix are named', () => {
    const named = { 'wrong-scale': 0, 'figure-not-converted': 0, prefix: 0 };
    for (let seed = 1; seed <= 30; seed += 1) {
      const problem = makeProblem('read-needle', 2, seed);
      const { ask, dial, value, base } = needleOf(problem);
      const share = value / dial.range.fullScale;
      const slipOf = (answer: number) => markAnswer(problem, ask, `${answer.toPrecision(6)} ${base}`).slip;
      for (const other of dial.others)
        if (slipOf((share * other.fullScale * dial.range.fullScale) / dial.scale.fullScale) === 'wrong-scale')
          named['wrong-scale'] += 1;
      if (slipOf(share * dial.scale.fullScale) === 'figure-not-converted') named['figure-not-converted'] += 1;
      if (slipOf(value / 1000) === 'prefix') named.prefix += 1;
    }
    // Where two mistakes give the same value, either may be named.
    expect(named['wrong-scale']).toBeGreaterThan(40);
    expect(named['figure-not-converted']).toBeGreaterThan(15);
    expect(named.prefix).toBeGreaterThan(20);
  });
});

describe('set the meter', () => {
  test('the jack is that of the best range, and a wrong one is named', () => {
    for (let seed = 1; seed <= 12; seed += 1) {
      const problem = makeProblem('set-meter', 1, seed);
      const [range, jack] = problem.asks as readonly [Ask, Ask];
      const best = answerTo(problem, range);
      const meter = problem.job!.setups![0]!.meters[0]!;
      const own = problem.job!.instruments![0]!.functions!.find(({ quantity }) => quantity === meter.quantity)!;
      const expected = (own.ranges.find(({ id }) => id === best) as { readonly jack?: string }).jack ?? 'V';
      expect(markAnswer(problem, jack, expected)).toMatchObject({ right: true });
      expect(markAnswer(problem, jack, 'COM')).toMatchObject({ right: false, slip: 'wrong-jack' });
    }
  });

  test('the fuse of an ammeter across the source holds up to its rating: both answers occur, and the wrong one is named', () => {
    const answers = new Set<unknown>();
    for (const level of [2, 3] as const)
      for (let seed = 1; seed <= 20; seed += 1) {
        const problem = makeProblem('set-meter', level, seed);
        const ask = problem.asks.find(({ of }) => of.what === 'fuse')!;
        const answer = answerTo(problem, ask);
        answers.add(answer);
        const source = problem.job!.network.elements.find(({ kind }) => kind === 'source') as { readonly emf: number };
        const { range: id } = ask.of as { readonly range: string };
        const own = problem.job!.instruments![0]!.functions!.find(({ quantity }) => quantity === 'dc-current')!;
        const range = own.ranges.find((one) => one.id === id) as { readonly fuse: number; readonly resistance: number };
        // The sources of practice have no resistance of their own.
        expect(answer).toBe(source.emf / range.resistance <= range.fuse ? 'yes' : 'no');
        expect(['yes', 'no']).toContain(answer);
        const wrong = answer === 'yes' ? 'no' : 'yes';
        expect(markAnswer(problem, ask, wrong)).toMatchObject({ right: false, slip: 'fuse-rating' });
      }
    expect(answers).toEqual(new Set(['yes', 'no']));
  });
});
