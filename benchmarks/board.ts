import { boardDifferences, placeParts } from '@usual-drag/core/board';
import { boardPicture, groundMarks } from '@usual-drag/core/drawing';
import { solveUnloaded } from '@usual-drag/core/loading';
import { sketchedNetwork } from '../packages/core/src/test/sketched-network.ts';
import { duration, line, secondsOf } from './measure.ts';

/** A frame of the screen, s. */
const frame = 0.016;
/** s within which the parts are to be placed. */
const placing = 0.1;

/** A strip board of 60 rows with 30 parts: placed, drawn and checked. */
export function benchBoard(): void {
  const networks = [1, 2, 3, 4, 5, 6, 7, 8].map((seed) => sketchedNetwork(seed, 30));
  const boards = networks.map((network) => ({ network, board: placeParts(network, 60)! }));
  const each = (work: () => void): number => secondsOf(work, 0.5) / networks.length;
  const solve = each(() => networks.forEach((network) => solveUnloaded(network)));
  console.log('\nStrip board of 60 rows, 30 parts, the mean of eight circuits');
  for (const [what, limit, work] of [
    ['parts placed', placing, () => networks.forEach((network) => placeParts(network, 60))],
    ['picture', frame, () => boards.forEach(({ network, board }) => boardPicture(network, board))],
    ['ground', frame, () => boards.forEach(({ board }) => groundMarks(board))],
    ['checked, no difference', frame, () => boards.forEach(({ network, board }) => boardDifferences(network, board))],
    [
      'checked, four wires missing',
      placing,
      () =>
        boards.forEach(({ network, board }) => boardDifferences(network, { ...board, wires: board.wires.slice(4) })),
    ],
  ] as const) {
    const time = each(work);
    line(
      `  ${what} (${duration(time)})`,
      `${(time / solve).toFixed(2)} × solving it   ${(time / limit).toFixed(2)} of ${duration(limit)}`,
    );
  }
}
