import {
  levels,
  nextProblem,
  problemKinds,
  type Level,
  type ProblemKind,
  type SetProblem,
} from '@usual-drag/core/practice';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { attemptsQuery } from '../api/practice.ts';
import { usePerson } from '../ui/person.ts';
import { useSeries } from './use-series.ts';

/** Chosen kind of problem, or the weakest one. */
export type KindChoice = ProblemKind | 'worst';

/** Problem on the page: stored in its URL, so that it can be sent to somebody. */
export function useAsked() {
  const [params, setParams] = useSearchParams();
  const person = usePerson((state) => state.person);
  const { data: attempts = [] } = useQuery(attemptsQuery(person));
  const { series, at } = useSeries();
  const kind = problemKinds.find((one) => one === params.get('kind')) ?? 'equivalent';
  const level = levels.find((one) => String(one) === params.get('level')) ?? 1;
  const typed = params.get('seed') ?? '1';
  const seed = /^-?\d{1,15}$/.test(typed) ? Number(typed) : 1;
  const choice: KindChoice = params.get('choice') === 'worst' ? 'worst' : kind;
  const go = (next: SetProblem, chosen: KindChoice): void =>
    setParams({
      kind: next.kind,
      level: String(next.level),
      seed: String(next.seed),
      ...(chosen === 'worst' && { choice: chosen }),
    });
  const draw = (chosen: KindChoice, wanted: Level): void => {
    const next = chosen === 'worst' ? nextProblem(attempts) : { kind: chosen, level: wanted };
    go({ ...next, seed: newSeed() }, chosen);
  };
  return {
    asked: { kind, level, seed } satisfies SetProblem,
    choice,
    chooseKind: (chosen: KindChoice) => draw(chosen, level),
    chooseLevel: (wanted: Level) => draw(kind, wanted),
    /** Opens the problem of a series that is next, or draws one. */
    next: () => {
      const set = series?.problems[at + 1];
      if (!series) return draw(choice, level);
      if (!set) return useSeries.setState({ series: null, at: 0 });
      useSeries.setState({ at: at + 1 });
      go(set, set.kind);
    },
    open: (set: SetProblem) => go(set, set.kind),
  };
}

/** Another problem than the last. */
const newSeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0]!;
