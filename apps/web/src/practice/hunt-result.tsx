import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { faultSentence } from '@usual-drag/core/faults';
import {
  bestLine,
  costOfLine,
  readingCosts,
  wrongAnswerCost,
  type FaultHunt,
  type HuntPlace,
} from '@usual-drag/core/practice';
import { useMemo } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';
import { MarkLine } from './mark-line.tsx';

interface Props {
  readonly hunt: FaultHunt;
  /** Whether the fault was named; it was shown otherwise. */
  readonly isFound: boolean;
  /** Cost of the readings and the wrong answers. */
  readonly cost: number;
}

/** Verdict on the named fault, and the best line of search beside one's own. */
export function HuntResult({ hunt, isFound, cost }: Props) {
  const line = useMemo(() => bestLine(hunt), [hunt]);
  const left = line.at(-1)?.left ?? hunt.candidates.length;
  const text = isFound ? `Right: ${faultSentence(hunt.fault)}` : `The fault is: ${faultSentence(hunt.fault)}`;
  return (
    <div className="flex flex-col gap-2 border-t border-line pt-3">
      <MarkLine isFinal id="hunt-mark" mark={{ right: isFound, expected: hunt.fault, slip: null, text }} />
      <h2 className="text-[17px] font-bold">An efficient sequence of readings</h2>
      <p className="text-[14px] text-soft">
        Each reading leaves the fewest of {hunt.candidates.length} faults for what it costs.
      </p>
      <FiguresTable
        label="An efficient sequence of readings"
        head={['Reading', 'Value', 'Faults left', 'Cost']}
        rows={line.map(({ place, value, left }, k) => ({
          key: String(k),
          cells: [
            placeWords(place),
            Number.isFinite(value) ? formatQuantity(value, unitOf(place.quantity), { digits: 3 }) : 'OL',
            String(left),
            String(readingCosts[place.quantity]),
          ],
        }))}
      />
      {left > 1 && (
        <p className="text-[14px] text-soft">
          No reading separates the last {left} faults: on average {(left - 1) / 2} of them are named wrong first, for{' '}
          {wrongAnswerCost} each.
        </p>
      )}
      <p role="status" className="text-[17px]">
        Yours cost <b className="figures">{cost}</b>, this one{' '}
        <b className="figures">{costOfLine(line, hunt.candidates.length)}</b>.
      </p>
    </div>
  );
}

const placeWords = (place: HuntPlace): string => {
  if ('red' in place) return `${place.red} to ${place.black}`;
  return place.quantity === 'dc-current' ? `into ${place.element}` : `${place.element}, out`;
};
