import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import { jobsQuery } from '../api/jobs.ts';
import { circuitBeside } from '../jobs/orders.ts';
import { useCommands, type Command } from '../ui/commands.ts';

/** Offers the order's page, and its next and former circuit on the step that is open. */
export function useOrderCommands(jobId: string, order: string | undefined): void {
  const { data: jobs } = useQuery({ ...jobsQuery, enabled: Boolean(order) });
  const { step = 'setups' } = useParams();
  const navigate = useNavigate();
  const commands = useMemo(
    (): Command[] => [
      ...(order
        ? [
            {
              group: 'Pages',
              text: `Order ${order}: what its circuits say together`,
              run: () => void navigate(`/order/${encodeURIComponent(order)}`),
            } as const,
          ]
        : []),
      ...([1, -1] as const).flatMap((by) => {
        const circuit = order && jobs ? circuitBeside(jobs, jobId, by) : undefined;
        if (!circuit) return [];
        return {
          group: 'Steps',
          text: `${by === 1 ? 'Next' : 'Former'} circuit of the order: ${circuit.title ?? 'Untitled'}`,
          keys: by === 1 ? 'alt+right' : 'alt+left',
          run: () => void navigate(`/bench/${circuit.id}/${step}`),
        } as const;
      }),
    ],
    [jobs, jobId, order, step, navigate],
  );
  useCommands('order', commands);
}
