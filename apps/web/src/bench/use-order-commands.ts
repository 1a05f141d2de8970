import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import { jobsQuery } from '../api/jobs.ts';
import { circuitBeside } from '../jobs/orders.ts';
import { useCommands, type Command } from '../ui/commands.ts';

/** Offers the next and the former circuit of the order, on the step that is open. */
export function useOrderCommands(jobId: string, order: string | undefined): void {
  const { data: jobs } = useQuery({ ...jobsQuery, enabled: Boolean(order) });
  const { step = 'setups' } = useParams();
  const navigate = useNavigate();
  const commands = useMemo(
    (): Command[] =>
      ([1, -1] as const).flatMap((by) => {
        const circuit = order && jobs ? circuitBeside(jobs, jobId, by) : undefined;
        if (!circuit) return [];
        return {
          group: 'Steps',
          text: `${by === 1 ? 'Next' : 'Former'} circuit of the order: ${circuit.title ?? 'Untitled'}`,
          keys: by === 1 ? 'alt+right' : 'alt+left',
          run: () => void navigate(`/bench/${circuit.id}/${step}`),
        };
      }),
    [jobs, jobId, order, step, navigate],
  );
  useCommands('order', commands);
}
