import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useMemo } from 'react';
import { NavLink, useParams } from 'react-router';
import { kitQuery } from '../api/lists.ts';
import { useBench } from '../bench/model/bench-store.ts';
import { Panel } from '../ui/panel.tsx';
import { figures } from './figures.tsx';
import { subjectOf } from './subject.ts';
import { topics } from './topics.ts';

/** Loading and its consequences, one screen a topic, with the figures of the open job. */
export function LearnPage() {
  const { topic: asked } = useParams();
  const at = Math.max(
    0,
    topics.findIndex(({ id }) => id === asked),
  );
  const topic = topics[at]!;
  const next = topics[at + 1];
  const { data: kit = [] } = useQuery(kitQuery);
  const isOpen = useBench((state) => state.jobId !== null);
  const job = useBench((state) => state.document);
  const subject = useMemo(() => subjectOf(isOpen ? job : null, kit), [isOpen, job, kit]);
  const Figures = figures[topic.id];
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto md:flex-row md:overflow-hidden">
      <nav
        aria-label="Topics"
        className="flex shrink-0 gap-1 overflow-x-auto border-line p-3 md:w-56 md:flex-col md:overflow-y-auto md:border-r"
      >
        {topics.map(({ id, title }, index) => (
          <NavLink
            key={id}
            to={`/learn/${id}`}
            className={clsx(
              'flex min-h-9 shrink-0 items-center rounded-lg px-3 hover:bg-sunk pointer-coarse:min-h-11',
              index === at && 'bg-sunk font-bold',
            )}
            aria-current={index === at ? 'page' : undefined}
          >
            {title}
          </NavLink>
        ))}
      </nav>
      <main className="min-w-0 grow md:overflow-y-auto">
        <article className="flex max-w-3xl flex-col gap-4 px-4 py-5 sm:px-8">
          <div className="flex flex-wrap items-center justify-between gap-x-4">
            <h1 className="text-[26px] font-bold">{topic.title}</h1>
            {next && (
              <NavLink to={`/learn/${next.id}`} className="-mx-3 rounded-lg px-3 py-2 underline hover:bg-sunk">
                Next: {next.title}
              </NavLink>
            )}
          </div>
          {topic.text.map((paragraph) => (
            <p key={paragraph} className="text-[17px] leading-relaxed">
              {paragraph}
            </p>
          ))}
          <section
            aria-label="Live figures"
            className="flex flex-col gap-3 rounded-xl border border-line bg-sheet p-4 max-sm:px-2"
          >
            {subject ? (
              <Panel key={topic.id} name="This figure">
                <p className="text-[14px] text-soft">
                  {subject.isOwn ? 'In the open job' : 'In the float-level divider'}
                  {subject.isOwn && <>, {subject.job.title ?? 'Untitled'}</>}
                </p>
                <Figures subject={subject} />
              </Panel>
            ) : (
              <p className="text-soft">Fetching the kit …</p>
            )}
          </section>
        </article>
      </main>
    </div>
  );
}
