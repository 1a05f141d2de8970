import { boardDifferences, differenceHoles, differenceSentence } from '@usual-drag/core/board';
import { ringMarks, stillBoard } from '@usual-drag/core/drawing';
import type { FaultHunt } from '@usual-drag/core/practice';
import { useMemo } from 'react';
import { MarksView } from '../drawing/marks-view.tsx';

/** The board with the mistake that was hidden on it, ringed and in words. */
export function HuntBoard({ hunt: { board, job } }: { readonly hunt: FaultHunt }) {
  const { network } = job;
  const picture = useMemo(() => board && stillBoard(network, board), [network, board]);
  if (!board || !picture) return null;
  const differences = boardDifferences(network, board);
  const rings = ringMarks(differences.flatMap((one) => differenceHoles(one, board)));
  return (
    <figure className="flex flex-col gap-2">
      <figcaption>{differences.map(differenceSentence).join(' ')}</figcaption>
      <svg
        role="img"
        aria-label="The board as it is built"
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        className="max-h-[32rem] w-full"
      >
        <MarksView marks={picture.marks} />
        <MarksView marks={rings} />
      </svg>
    </figure>
  );
}
