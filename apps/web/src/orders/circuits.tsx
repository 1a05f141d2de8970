import type { JobSummary } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { Link } from 'react-router';
import { jobsQuery } from '../api/jobs.ts';
import { reorderCircuits } from '../api/orders.ts';
import { queries } from '../api/queries.ts';
import { NetworkPicture } from '../drawing/network-picture.tsx';
import { toast } from '../ui/toast.ts';
import { readInWords } from '../ui/words.ts';

interface Props {
  readonly order: string;
  readonly circuits: readonly JobSummary[];
  /** Jobs of the circuits, in the same sequence. */
  readonly documents: readonly Job[];
}

/** The circuits in their sequence, each a link to its bench, with buttons that move it. */
export function Circuits({ order, circuits, documents }: Props) {
  const move = async (index: number, by: 1 | -1): Promise<void> => {
    const ids = circuits.map(({ id }) => id);
    ids.splice(index + by, 0, ...ids.splice(index, 1));
    try {
      await reorderCircuits(order, ids);
    } catch (fault) {
      toast.error(`Not moved: ${(fault as Error).message}`);
    }
    await queries.invalidateQueries({ queryKey: jobsQuery.queryKey });
  };
  return (
    <ol aria-label="Circuits" className="grid grid-cols-[repeat(auto-fill,minmax(min(13rem,100%),1fr))] gap-3">
      {circuits.map(({ id, title, readings }, index) => (
        <li key={id} className="flex flex-col rounded-xl border border-line bg-sheet hover:border-soft">
          <Link to={`/bench/${id}/setups`} className="flex grow flex-col gap-1 rounded-xl p-3">
            <span aria-hidden>
              <NetworkPicture
                network={documents[index]!.network}
                label=""
                bare
                height={200}
                className="h-28 max-sm:h-20"
              />
            </span>
            <b>
              {index + 1} {title ?? 'Untitled'}
            </b>
            <span className="text-[14px] text-soft">{readings ? readInWords(readings) : 'not read'}</span>
          </Link>
          {circuits.length > 1 && (
            <span className="flex justify-end px-1 pb-1">
              <Move
                label={`Move ${title ?? 'Untitled'} forward in the order`}
                disabled={index === 0}
                onMove={() => void move(index, -1)}
              >
                <ChevronLeft aria-hidden size={18} />
              </Move>
              <Move
                label={`Move ${title ?? 'Untitled'} back in the order`}
                disabled={index === circuits.length - 1}
                onMove={() => void move(index, 1)}
              >
                <ChevronRight aria-hidden size={18} />
              </Move>
            </span>
          )}
        </li>
      ))}
    </ol>
  );
}

interface MoveProps {
  readonly label: string;
  readonly disabled: boolean;
  readonly onMove: () => void;
  readonly children: React.ReactNode;
}

const Move = ({ label, disabled, onMove, children }: MoveProps) => (
  <button
    type="button"
    aria-label={label}
    title={label}
    disabled={disabled}
    onClick={onMove}
    className="grid size-9 place-items-center rounded-lg text-soft hover:text-ink disabled:opacity-35 pointer-coarse:size-11"
  >
    {children}
  </button>
);
