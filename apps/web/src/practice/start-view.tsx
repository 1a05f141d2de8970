import {
  makeProblem,
  nextProblem,
  problemKinds,
  progressOf,
  type KindProgress,
  type Level,
  type ProblemKind,
} from '@usual-drag/core/practice';
import { useQuery } from '@tanstack/react-query';
import { memo, useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import { attemptsQuery } from '../api/practice.ts';
import { formatPercent } from '@usual-drag/core/quantity';
import { usePerson } from '../ui/person.ts';
import { count } from '../ui/words.ts';
import { HuntPicture } from './hunt-picture.tsx';
import { kindWords } from './kind-words.ts';
import { ProblemPicture } from './problem-picture.tsx';

/** Kinds of problems as pictures with the person's results, and a button for the weakest kind. */
export function StartView() {
  const person = usePerson((state) => state.person);
  const { data: attempts = [] } = useQuery(attemptsQuery(person));
  const progress = useMemo(() => new Map(progressOf(attempts).map((one) => [one.kind, one])), [attempts]);
  const weakest = useMemo(() => nextProblem(attempts), [attempts]);
  return (
    <>
      <p className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <Link
          to={addressOf(weakest.kind, weakest.level, true)}
          className="inline-flex min-h-11 items-center rounded-lg bg-bar px-4 font-bold text-onbar hover:opacity-90 dark:border dark:border-soft"
        >
          {attempts.length === 0 ? 'Begin' : 'Continue with the weakest kind'}
        </Link>
        <span className="text-soft">
          {attempts.length === 0
            ? 'Enter your name above to keep your results, or choose a kind.'
            : `${kindWords[weakest.kind]}, level ${weakest.level}`}
        </span>
      </p>
      <ul aria-label="Kinds of problems" className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-5">
        {problemKinds.map((kind) => {
          const { level } = nextProblem(attempts, [kind]);
          return (
            <Card
              key={kind}
              to={addressOf(kind, level, false)}
              name={kindWords[kind]}
              standing={standingOf(progress.get(kind), level)}
              lately={progress.get(kind)?.lately ?? null}
            >
              <KindPicture kind={kind} />
            </Card>
          );
        })}
        <Card
          to="/practice/hunt"
          name={kindWords['fault-hunt']}
          standing={standingOf(progress.get('fault-hunt'), null)}
          lately={progress.get('fault-hunt')?.lately ?? null}
        >
          <HuntPicture />
        </Card>
      </ul>
    </>
  );
}

const addressOf = (kind: ProblemKind, level: Level, isWeakest: boolean): string =>
  `/practice/problems?kind=${kind}&level=${level}&seed=${crypto.getRandomValues(new Uint32Array(1))[0]}${isWeakest ? '&choice=worst' : ''}`;

function standingOf(progress: KindProgress | undefined, level: Level | null): string {
  const next = level === null ? '' : `level ${level}`;
  if (!progress) return level === null ? 'no attempts yet' : `${next}, no attempts yet`;
  const { attempts, lately } = progress;
  return `${next === '' ? '' : `${next}, `}${count(attempts, 'attempt')}, ${formatPercent(lately, { digits: 2, trim: true })} correct recently`;
}

interface CardProps {
  readonly to: string;
  readonly name: string;
  readonly standing: string;
  /** Share of the last problems that were right without a hint; null if none was tried. */
  readonly lately: number | null;
  readonly children: ReactNode;
}

function Card({ to, name, standing, lately, children }: CardProps) {
  return (
    <li>
      <Link
        to={to}
        className="flex h-full flex-col gap-1 overflow-hidden rounded-xl border border-line bg-sheet p-2 hover:border-soft"
      >
        <span aria-hidden className="flex h-24 items-center justify-center overflow-hidden">
          {children}
        </span>
        <b className="leading-tight">{name}</b>
        <span className="text-[13px] leading-tight text-soft">{standing}</span>
        <span aria-hidden className="mt-auto block h-1.5 rounded-full bg-sunk">
          <span className="block h-full rounded-full bg-(--ochre-line)" style={{ width: `${100 * (lately ?? 0)}%` }} />
        </span>
      </Link>
    </li>
  );
}

/** An example of a kind: always the same one, so that it is recognised. */
const KindPicture = memo(function KindPicture({ kind }: { readonly kind: ProblemKind }) {
  const problem = useMemo(() => makeProblem(kind, 1, 1), [kind]);
  return <ProblemPicture problem={problem} className="max-h-24 w-full" bare />;
});
