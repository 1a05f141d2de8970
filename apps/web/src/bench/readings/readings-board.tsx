import { legHoles, probeHole, type Board } from '@usual-drag/core/board';
import { holePoint, leadSign, ringMarks, type Mark } from '@usual-drag/core/drawing';
import type { Network } from '@usual-drag/core/network';
import type { PlanStep } from '@usual-drag/core/plan';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { Zoom } from '../../drawing/zoom.ts';
import { BoardCanvas } from '../board/board-canvas.tsx';
import { useBoard } from '../board/board-now.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { useReadings } from './use-readings.ts';

/** The strip board while readings are taken: the probes where they go, the legs to lift ringed. */
export function ReadingsBoard({ view, zoom }: { readonly view: BenchView; readonly zoom: Zoom }) {
  const { open } = useReadings(view);
  const board = useBoard();
  const { network } = view;
  const probes = useMemo(() => (open ? stepMarks(network, board, open) : []), [network, board, open]);
  if (board.parts.length === 0)
    return (
      <p className="grow p-4 text-soft">
        Nothing is on the strip board yet.{' '}
        <Link className="inline-flex min-h-6 items-center underline" to={`/bench/${view.jobId}/network/board`}>
          Place the parts
        </Link>
        : each step of the plan then has the rows of its probes.
      </p>
    );
  return <BoardCanvas network={network} zoom={zoom} probes={probes} editable={false} />;
}

/** Probes of a step, and rings around the legs that it lifts. */
function stepMarks(network: Network, board: Board, step: PlanStep): readonly Mark[] {
  const probe = (lead: 'red' | 'black', node: string): Mark[] => {
    const hole = probeHole(network, board, node);
    return hole ? leadAt(lead, hole) : [];
  };
  if (step.do === 'break' || step.do === 'restore') return ringMarks(legHoles(network, board, step.ends));
  if (step.do !== 'read') return [];
  switch (step.quantity) {
    case 'dc-voltage':
      return [...probe('red', step.red), ...probe('black', step.black)];
    case 'dc-current': {
      const lifted = legHoles(network, board, step.ends);
      const [onNode, onLegs] = step.reversed ? (['black', 'red'] as const) : (['red', 'black'] as const);
      return [...ringMarks(lifted), ...probe(onNode, step.node), ...(lifted[0] ? leadAt(onLegs, lifted[0]) : [])];
    }
    case 'resistance':
      return ringMarks(legHoles(network, board, [`${step.element}.from`, `${step.element}.to`]));
  }
}

function leadAt(lead: 'red' | 'black', hole: string): Mark[] {
  const { x, y } = holePoint(hole);
  return leadSign(lead, x, y, -1);
}
