import { faultSentence } from '@usual-drag/core/faults';
import { fitWord, type TwoFaultsGroup, type TwoFaultsProgress } from '@usual-drag/core/diagnosis';
import type { Job } from '@usual-drag/core/job';
import { useMemo, useState } from 'react';
import { startTwoFaults } from '../../../workers/diagnosis.ts';
import { Button } from '../../../ui/button.tsx';
import { useWorkerResult } from '../../../workers/use-worker-result.ts';

/** Search for two faults at once, started by a click, for readings that no single fault explains. */
export function TwoAtOnce({ job }: { readonly job: Job }) {
  const [asked, ask] = useState<Job | null>(null);
  const start = useMemo(
    () =>
      asked === job ? (onProgress: (progress: TwoFaultsProgress) => void) => startTwoFaults(job, onProgress) : null,
    [asked, job],
  );
  const { result: found, state, progress, stop } = useWorkerResult(start);
  const isSearching = start !== null && state === 'running';
  return (
    <div className="flex flex-col gap-2">
      <p className="flex flex-wrap items-center gap-3">
        No single fault explains these readings. Check for a wrong break or a wrong part, or
        <Button disabled={isSearching} onClick={() => ask(job)}>
          Look for two faults at once
        </Button>
      </p>
      {isSearching && (
        <p role="status" className="flex flex-wrap items-center gap-3 text-soft">
          <progress
            aria-label="Search for two faults"
            className="w-48"
            max={progress?.of ?? 1}
            value={progress?.done ?? 0}
          />
          {progress ? `${progress.done} of ${progress.of} tried, ${progress.found} found` : 'Beginning'} …
          <Button
            onClick={() => {
              stop();
              ask(null);
            }}
          >
            Stop
          </Button>
        </p>
      )}
      {found && !found.ok && <p>{found.fault.message}</p>}
      {found?.ok && !isSearching && <Pairs groups={found.value} />}
    </div>
  );
}

/** As many as can be read on the bench. */
const most = 8;

function Pairs({ groups }: { readonly groups: readonly TwoFaultsGroup[] }) {
  const pairs = groups.flatMap(({ misfit, hypotheses }) => hypotheses.map(({ faults }) => ({ faults, misfit })));
  if (pairs.length === 0)
    return (
      <p>
        No two faults explain them either. Check for a wrong break, a part that is not drawn, or an intermittent
        contact.
      </p>
    );
  return (
    <ol className="flex flex-col gap-2" aria-label="Two faults at once, best first">
      {pairs.slice(0, most).map(({ faults, misfit }) => (
        <li key={JSON.stringify(faults)} className="rounded-lg border border-line bg-sheet px-3 py-1.5">
          <b>{faults.map(faultSentence).join(' ')}</b>{' '}
          <span className="text-soft" title={`misfit ${misfit.toFixed(2)}`}>
            {fitWord(misfit)}
          </span>
        </li>
      ))}
    </ol>
  );
}
