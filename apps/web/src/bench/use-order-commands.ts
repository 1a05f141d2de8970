import { circuitsOf } from '@usual-drag/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import { jobsQuery } from '../api/jobs.ts';
import { queries } from '../api/queries.ts';
import { circuitBeside } from '../jobs/orders.ts';
import { useCommands, type Command } from '../ui/commands.ts';

/** Circuits of an order. Unlike the list of jobs, this is not fetched again at each save of a job. */
const circuitsQuery = (order: string) =>
  queryOptions({
    queryKey: ['jobs', 'of-order', order],
    queryFn: async () => circuitsOf(await queries.fetchQuery({ ...jobsQuery, staleTime: 10_000 }), order),
    staleTime: 60_000,
  });

/** Adds commands for the page of the order and for the next and previous circuit, at the open step. */
export function useOrderCommands(jobId: string, order = ''): void {
  const { data: circuits } = useQuery({ ...circuitsQuery(order), enabled: order !== '' });
  const { step = 'setups' } = useParams();
  const navigate = useNavigate();
  const commands = useMemo((): Command[] => {
    if (order === '') return [];
    const page: Command = {
      group: 'Pages',
      text: `Order ${order}: plan, parts and report`,
      run: () => void navigate(`/order/${encodeURIComponent(order)}`),
    };
    const beside = ([1, -1] as const).flatMap((by): Command[] => {
      const circuit = circuits && circuitBeside(circuits, jobId, by);
      if (!circuit) return [];
      return [
        {
          group: 'Steps',
          text: `${by === 1 ? 'Next' : 'Previous'} circuit of the order: ${circuit.title ?? 'Untitled'}`,
          keys: by === 1 ? 'alt+right' : 'alt+left',
          run: () => void navigate(`/bench/${circuit.id}/${step}`),
        },
      ];
    });
    return [page, ...beside];
  }, [circuits, jobId, order, step, navigate]);
  useCommands('order', commands);
}
