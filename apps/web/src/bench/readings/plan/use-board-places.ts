import { breakPlace, legHoles, probePlace, type Board } from '@usual-drag/core/board';
import type { Network } from '@usual-drag/core/network';
import type { PlanStep } from '@usual-drag/core/plan';
import { useMemo } from 'react';
import { useBench } from '../../model/bench-store.ts';

/** Returns the rows of a step's leads on the strip board and the legs that it lifts; empty if no part is on the board. */
export function useBoardPlaces(step: PlanStep): readonly string[] {
  const network = useBench((state) => state.document.network);
  const board = useBench((state) => state.document.board);
  return useMemo(() => (board && board.parts.length > 0 ? placesOf(network, board, step) : []), [network, board, step]);
}

function placesOf(network: Network, board: Board, step: PlanStep): string[] {
  const at = (lead: string, node: string): string[] => {
    const place = probePlace(network, board, node);
    return place === null ? [] : [`${lead} in ${place}`];
  };
  if (step.do === 'break' || step.do === 'restore') {
    const legs = breakPlace(network, board, step.ends);
    return legs === null ? [] : [step.do === 'break' ? legs : legs.replaceAll(' out of ', ' back into ')];
  }
  if (step.do !== 'read') return [];
  if (step.quantity === 'resistance') {
    const holes = legHoles(network, board, [`${step.element}.from`, `${step.element}.to`]);
    return holes.length === 0 ? [] : [`${step.element} out of ${holes.join(' and ')}`];
  }
  if (step.quantity === 'dc-voltage') return [...at('red', step.red), ...at('black', step.black)];
  const legs = breakPlace(network, board, step.ends);
  return [...at(step.reversed ? 'black' : 'red', step.node), ...(legs === null ? [] : [legs])];
}
