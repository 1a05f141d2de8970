import { problemKinds, type Level, type ProblemKind } from './problems/problem.ts';
import type { Mistake } from './mistakes/mistake.ts';

/** Result of one problem, or of one fault hunt. */
export interface Attempt {
  /** Name of the person; there are no accounts. */
  readonly person: string;
  readonly kind: ProblemKind | 'fault-hunt';
  readonly level: Level;
  readonly seed: number;
  /** All of its questions at the first try. */
  readonly right: boolean;
  /** The slip behind the first wrong answer; null if there was none, or none was recognised. */
  readonly slip: Mistake | null;
  /** Hints taken. */
  readonly hints: number;
  readonly seconds: number;
}

/** Progress in one kind of problem. */
export interface KindProgress {
  readonly kind: Attempt['kind'];
  readonly attempts: number;
  /** Right without a hint. */
  readonly right: number;
  /** Of the last ones, share right without a hint. */
  readonly lately: number;
  readonly slips: readonly { readonly slip: Mistake; readonly times: number }[];
}

/** Number of the last attempts that count for the present standing. */
const latest = 8;

const isRight = ({ right, hints }: Attempt): boolean => right && hints === 0;

/** Returns strengths and weaknesses by kind, the kinds in their order. */
export function progressOf(attempts: readonly Attempt[]): readonly KindProgress[] {
  const kinds = [...problemKinds, 'fault-hunt'] as const;
  return kinds.flatMap((kind): KindProgress[] => {
    const own = attempts.filter((one) => one.kind === kind);
    if (own.length === 0) return [];
    const last = own.slice(-latest);
    const times = new Map<Mistake, number>();
    for (const { slip } of own) if (slip) times.set(slip, (times.get(slip) ?? 0) + 1);
    return [
      {
        kind,
        attempts: own.length,
        right: own.filter(isRight).length,
        lately: last.filter(isRight).length / last.length,
        slips: [...times].map(([slip, count]) => ({ slip, times: count })).sort((a, b) => b.times - a.times),
      },
    ];
  });
}

/**
 * Returns the next kind to practise: the weakest one, one level up if the last three of a kind were right, one down after
 * two wrong. A kind that was never tried comes before a strong one.
 *
 * @param of  kinds to choose from
 */
export function nextProblem(
  attempts: readonly Attempt[],
  of: readonly ProblemKind[] = problemKinds,
): { readonly kind: ProblemKind; readonly level: Level } {
  const progress = new Map(progressOf(attempts).map((one) => [one.kind, one]));
  const goes = (kind: ProblemKind): number => progress.get(kind)?.lately ?? 0.6;
  const last = attempts.at(-1)?.kind;
  // The same kind again only if it goes badly.
  const order = [...of].sort((a, b) => goes(a) + (a === last ? 0.3 : 0) - goes(b) - (b === last ? 0.3 : 0));
  const kind = order[0] ?? 'equivalent';
  return { kind, level: levelFor(attempts.filter((one) => one.kind === kind)) };
}

function levelFor(own: readonly Attempt[]): Level {
  const last = own.at(-1);
  if (!last) return 1;
  const { level } = last;
  const atLevel = own.slice(-3).filter((one) => one.level === level);
  if (atLevel.length === 3 && atLevel.every(isRight)) return Math.min(3, level + 1) as Level;
  return own.slice(-2).length === 2 && own.slice(-2).every((one) => !one.right)
    ? (Math.max(1, level - 1) as Level)
    : level;
}
