import { formatPercent } from '@usual-drag/core/quantity';
import { memo } from 'react';
import { Link } from 'react-router';
import { drawingAddress } from '../api/jobs.ts';
import { count, readInWords, when } from '../ui/words.ts';
import { figuresWords } from './figures-words.ts';
import { JobActions, type JobProps } from './job-actions.tsx';

interface Props extends JobProps {
  readonly theme: 'light' | 'dark';
}

/** A job of the list with its own drawing in small. */
export const JobCard = memo(function JobCard({ theme, ...props }: Props) {
  const { job } = props;
  const { asset, order, date } = job.record;
  return (
    <li className="flex flex-col overflow-hidden rounded-xl border border-line bg-sheet [contain-intrinsic-size:auto_17rem] [content-visibility:auto] focus-within:border-soft hover:border-soft">
      <Link to={`/bench/${job.id}/setups`} className="flex grow flex-col rounded-xl focus-visible:-outline-offset-3">
        <span className="order-2 flex flex-col gap-0.5 px-4 pt-2">
          <span className="truncate text-[18px] font-bold">{job.title ?? 'Untitled'}</span>
          <span className="truncate text-[14px]">
            {[asset, order, date].filter(Boolean).join(' · ') || <span className="text-soft">no asset given</span>}
          </span>
          <span className="text-[14px] text-soft">
            {count(job.parts, 'part')}, {count(job.setups, 'set-up')}
            {job.state !== 'computed' && `, ${figuresWords[job.state]}`}
            {job.worstError !== null && job.worstError !== 0 && (
              <>
                , <b className="text-ochre">worst error {formatPercent(job.worstError, { signed: true, digits: 3 })}</b>
              </>
            )}
          </span>
          {job.unreadable !== '' && <span className="text-[14px] font-bold">{job.unreadable}</span>}
          {job.readings && <span className="text-[14px]">{readInWords(job.readings)}</span>}
        </span>
        <img
          src={drawingAddress(job, theme)}
          alt=""
          loading="lazy"
          decoding="async"
          className="h-36 w-full border-b border-line object-contain p-2"
        />
      </Link>
      <span className="flex items-center justify-between pr-1 pb-1 pl-4 text-[13px] text-soft">
        changed {when(job.updatedAt)}
        <JobActions {...props} />
      </span>
    </li>
  );
});
