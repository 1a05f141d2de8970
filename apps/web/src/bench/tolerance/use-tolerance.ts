import type { Sampling, ToleranceQuestion } from '@usual-drag/core';
import { useEffect, useState } from 'react';
import { startTolerance, type ToleranceStudy } from '../../workers/tolerance.ts';

/** How a study stands. What was found last stays in sight while the next is under way. */
export interface Standing {
  readonly kind: 'running' | 'done' | 'stopped' | 'nothing' | 'failed';
  readonly done: number;
  readonly study: ToleranceStudy | null;
  readonly stop: () => void;
}

const idle: Standing = { kind: 'running', done: 0, study: null, stop: () => undefined };

/** ms that a question has to stand before it is worked on: a lead that is moved asks a new one at every step. */
const debounceMs = 120;

/**
 * Follows the tolerance of a result. A new question ends the study of the former one.
 *
 * @param question  the same object as long as it asks the same
 */
export function useTolerance(question: ToleranceQuestion, sampling: Sampling): Standing {
  const [standing, setStanding] = useState(idle);
  useEffect(() => {
    let stopStudy = (): void => undefined;
    let over = false;
    const end = (kind: Standing['kind'], study?: ToleranceStudy): void => {
      if (over) return;
      over = true;
      setStanding((now) => ({ ...now, kind, ...(study && { study }) }));
    };
    const timer = setTimeout(() => {
      const begun = startTolerance(question, sampling, (done) => {
        if (!over) setStanding((now) => ({ ...now, done }));
      });
      stopStudy = begun.stop;
      const stop = (): void => {
        begun.stop();
        end('stopped');
      };
      setStanding((now) => ({ ...now, kind: 'running', done: 0, stop }));
      begun.study.then(
        (study) => end(study ? 'done' : 'nothing', study ?? undefined),
        () => end('failed'),
      );
    }, debounceMs);
    return () => {
      over = true;
      clearTimeout(timer);
      stopStudy();
    };
  }, [question, sampling]);
  return standing;
}
