import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { solveUnloaded } from '@usual-drag/core/loading';
import { instrumentOf, placesInUse, type WorkedSide, type MeterProject } from '@usual-drag/core/workshop';
import { networkMeant, type Job } from '@usual-drag/core/job';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { jobQuery, jobsQuery } from '../../api/jobs.ts';
import { Choice } from '../../ui/choice.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { Note } from '../../ui/note.tsx';
import { unitOfSide } from '../words.ts';
import type { SheetProps } from './sheet-props.ts';

/** Places shown at first: those where the meter drags most. */
const most = 12;

/** The error that the meter will cause in a chosen job, before it is built. */
export function UseSheet({ project, sides }: SheetProps) {
  const { data: jobs } = useQuery(jobsQuery);
  const [chosen, setChosen] = useState<string | null>(null);
  const id = chosen ?? jobs?.[0]?.id ?? null;
  const { data: job } = useQuery({ ...jobQuery(id ?? ''), enabled: id !== null });
  if (jobs?.length === 0) return <p className="text-soft">No job yet to try it in.</p>;
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="pb-1.5 text-[17px] font-bold">In use in</h2>
        {jobs && id && (
          <Choice
            label="Job"
            className="w-96"
            value={id}
            options={jobs.map(({ id: value, title }) => ({ value, text: title ?? 'Untitled' }))}
            onChange={setChosen}
          />
        )}
        {id && (
          <Link to={`/bench/${id}/setups`} className="pb-1.5 underline">
            open its bench
          </Link>
        )}
      </div>
      {job &&
        sides.map((side) => (
          <Places key={side.design.target} project={project} sides={sides} side={side} job={job.document} />
        ))}
    </div>
  );
}

function Places({
  project,
  sides,
  side,
  job,
}: {
  readonly project: MeterProject;
  readonly sides: readonly WorkedSide[];
  readonly side: WorkedSide;
  readonly job: Job;
}) {
  const [all, setAll] = useState(false);
  const quantity = side.design.target === 'ammeter' ? 'dc-current' : 'dc-voltage';
  const places = useMemo(() => {
    const unloaded = solveUnloaded(networkMeant(job));
    return unloaded.ok ? placesInUse(unloaded.value, instrumentOf(project, sides), quantity) : null;
  }, [project, sides, job, quantity]);
  const unit = unitOfSide(side);
  if (!places) return <Note kind="limit">This job’s network cannot be solved yet. Correct it on its bench.</Note>;
  const print = (value: number): string => formatQuantity(value, unit, { digits: 4 });
  return (
    <section aria-label={`In use as ${side.design.target}`} className="flex flex-col gap-2">
      <FiguresTable
        label={quantity === 'dc-voltage' ? 'Loading error in the job' : 'Insertion error in the job'}
        head={[
          quantity === 'dc-voltage' ? 'Across' : 'In series with',
          'True',
          'Range',
          'Indicated',
          'Error',
          'In per cent',
        ]}
        rows={places.slice(0, all ? undefined : most).map((place) => ({
          key: place.across?.join(' ') ?? place.inSeriesWith!,
          cells: [
            place.across ? place.across.join(' – ') : place.inSeriesWith,
            print(place.truth),
            place.range.id,
            place.over ? 'over range' : print(place.indicated),
            formatQuantity(place.indicated - place.truth, unit, { digits: 3, signed: true }),
            place.truth === 0 ? '—' : formatPercent(-place.share, { digits: 3, signed: true }),
          ],
        }))}
      />
      {places.length > most && (
        <button type="button" className="self-start underline" onClick={() => setAll(!all)}>
          {all ? 'only the largest loading' : `all ${places.length} measurement points`}
        </button>
      )}
    </section>
  );
}
