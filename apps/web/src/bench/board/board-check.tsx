import {
  boardCautions,
  boardDifferences,
  builtNetwork,
  differenceEffect,
  differenceHoles,
  differenceSentence,
  effectSentence,
  mendBoard,
  mendingText,
  type Board,
  type BoardDifference,
} from '@usual-drag/core/board';
import type { Network } from '@usual-drag/core/network';
import { CircleCheck } from 'lucide-react';
import { useMemo } from 'react';
import { useAfterPaint } from '../../ui/after-paint.ts';
import { Button } from '../../ui/button.tsx';
import { Note } from '../../ui/note.tsx';
import { toast } from '../../ui/toast.ts';
import { count } from '../../ui/words.ts';
import { editBoard, useBoardHand } from './board-now.ts';

interface Props {
  readonly network: Network;
  readonly board: Board;
  readonly onTakeOver: (built: Network) => void;
}

/** Differences whose effect is shown; of a board that is hardly begun there are as many as parts. */
const mostShown = 6;

/** The circuit that the board makes, against the drawing: each difference, what it does to the readings, and its remedy. */
export function BoardCheck(now: Props) {
  const { onTakeOver } = now;
  const steady = useMemo(() => ({ network: now.network, board: now.board }), [now.network, now.board]);
  const { network, board } = useAfterPaint(steady);
  const differences = useMemo(() => boardDifferences(network, board), [network, board]);
  const built = useMemo(() => builtNetwork(network, board), [network, board]);
  const cautions = useMemo(() => boardCautions(network, built), [network, built]);
  const wrong = differences.filter(({ kind }) => kind !== 'left-out');
  const missing = differences.length - wrong.length;
  const shown = differences.length <= mostShown ? differences : [...wrong, ...differences].slice(0, mostShown);
  return (
    <section aria-label="Check" className="flex flex-col gap-2">
      <h2 className="font-bold">Check</h2>
      {differences.length === 0 ? (
        <p role="status" className="flex items-center gap-2">
          <CircleCheck aria-hidden size={18} /> The board matches the drawing.
        </p>
      ) : (
        <p role="status">
          {wrong.length === 0 ? '' : `${count(wrong.length, 'difference')} from the drawing. `}
          {missing > 0 && `${count(missing, 'part')} not on the board.`}
        </p>
      )}
      {cautions.map((caution) => (
        <Note key={caution} kind="hazard">
          As built: {caution}
        </Note>
      ))}
      <ul className="flex flex-col gap-2" aria-label="Differences from the drawing">
        {shown.map((difference, index) => (
          <DifferenceLine
            key={index}
            network={network}
            board={board}
            differences={differences}
            difference={difference}
          />
        ))}
      </ul>
      {wrong.length > 0 && built && (
        <div>
          <Button onClick={() => onTakeOver(built)} title="The drawing then has the connections of the board">
            Take over as the circuit
          </Button>
        </div>
      )}
    </section>
  );
}

interface LineProps {
  readonly network: Network;
  readonly board: Board;
  readonly differences: readonly BoardDifference[];
  readonly difference: BoardDifference;
}

function DifferenceLine({ network, board, differences, difference }: LineProps) {
  const effect = useMemo(
    () => differenceEffect(network, board, differences, difference),
    [network, board, differences, difference],
  );
  const point = (at: BoardDifference | null): void =>
    useBoardHand.setState({ marked: at ? differenceHoles(at, board) : [] });
  return (
    <li
      className="flex flex-col gap-1 rounded-xl border border-line border-l-4 border-l-(--fault) bg-sheet px-3 py-2 text-[15px]"
      onPointerEnter={() => point(difference)}
      onPointerLeave={() => point(null)}
    >
      <p>{differenceSentence(difference)}</p>
      <p className="text-soft">{effectSentence(effect)}</p>
      <div>
        <Button
          onFocus={() => point(difference)}
          onBlur={() => point(null)}
          onClick={() => {
            point(null);
            editBoard((now) => {
              const mended = mendBoard(network, now, difference);
              if (!mended) toast.error('There is no room for it. Move something, or choose a larger board.');
              return mended ?? now;
            });
          }}
        >
          {mendingText(difference)}
        </Button>
      </div>
    </li>
  );
}
