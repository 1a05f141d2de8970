import {
  markAnswer,
  workingOf,
  type AnswerMark,
  type Ask,
  type GivenAnswer,
  type Problem,
} from '@usual-drag/core/practice';
import { useState } from 'react';
import { handIn } from './hand-in.ts';

/** Tries of one question: the first counts, the last is displayed. */
interface Tries {
  readonly first: AnswerMark;
  readonly last: AnswerMark;
}

/** A problem being worked: its marks, its hints, and the attempt that is handed in once every question was tried. */
export function useMarking(problem: Problem) {
  const [begun] = useState(() => performance.now());
  const [tries, setTries] = useState<Readonly<Record<string, Tries>>>({});
  const [hints, setHints] = useState(0);
  const [isHandedIn, setHandedIn] = useState(false);
  const { asks } = problem;
  const open = asks.find(({ id }) => !tries[id]?.last.right) ?? null;
  const hinted = open ?? asks.at(-1)!;
  const steps = workingOf(problem, hinted);
  const giveIn = (marks: Readonly<Record<string, Tries>>, hintsTaken: number): void => {
    if (isHandedIn) return;
    setHandedIn(true);
    const firsts = asks.map(({ id }) => marks[id]?.first);
    handIn({
      kind: problem.kind,
      level: problem.level,
      seed: problem.seed,
      right: firsts.every((mark) => mark?.right),
      slip: firsts.find((mark) => mark?.slip)?.slip ?? null,
      hints: Math.min(hintsTaken, 1000),
      seconds: Math.round((performance.now() - begun) / 100) / 10,
    });
  };
  return {
    /** The first question that is not right yet; null if all are. */
    open,
    markOf: (id: string): AnswerMark | null => tries[id]?.last ?? null,
    mark: (ask: Ask, answer: GivenAnswer): AnswerMark => {
      const made = markAnswer(problem, ask, answer);
      const next = { ...tries, [ask.id]: { first: tries[ask.id]?.first ?? made, last: made } };
      setTries(next);
      if (asks.every(({ id }) => next[id])) giveIn(next, hints);
      return made;
    },
    /** The working of the open question, as far as it was shown. */
    hints: {
      of: hinted,
      steps: steps.slice(0, Math.ceil(hints / 2)),
      isWhole: hints >= 2 * steps.length,
      taken: hints,
    },
    /** Shows what is done next, then it with its numbers. */
    hint: () => setHints(hints + 1),
    forgetHints: () => setHints(0),
  };
}
