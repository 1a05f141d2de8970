import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { faultSentence, type Hypothesis } from '@usual-drag/core/faults';
import {
  bestLine,
  costOf,
  isTheFault,
  readingCosts,
  type FaultHunt,
  type HuntPlace,
  type SharpReading,
} from '@usual-drag/core/practice';
import { useMemo } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';
import { MarkLine } from './mark-line.tsx';

interface Props {
  readonly hunt: FaultHunt;
  readonly named: Hypothesis;
  readonly taken: readonly SharpReading[];
}

/** Verdict on the named fault, and the best line of search beside one's own. */
export function HuntResult({ hunt, named, taken }: Props) {
  const line = useMemo(() => bestLine(hunt), [hunt]);
  const right = isTheFault(named, hunt);
  const [own, best] = [costOf(taken.map(({ place }) => place)), costOf(line.map(({ place }) => place))];
  const text = right
    ? `Right: ${faultSentence(hunt.fault)}`
    : `Not correct. The fault is: ${faultSentence(hunt.fault)}`;
  return (
    <div className="flex flex-col gap-2 border-t border-line pt-3">
      <MarkLine isFinal id="hunt-mark" mark={{ right, expected: hunt.fault, slip: null, text }} />
      <h2 className="text-[17px] font-bold">An efficient sequence of readings</h2>
      <p className="text-[14px] text-soft">
        Each reading leaves the fewest of {hunt.candidates.length} faults for what it costs.
      </p>
      <FiguresTable
        label="An efficient sequence of readings"
        head={['Reading', 'it reads', 'faults left', 'cost']}
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
      <p role="status" className="text-[17px]">
        Yours cost <b className="figures">{own}</b>, this one <b className="figures">{best}</b>.
      </p>
    </div>
  );
}

const placeWords = (place: HuntPlace): string => {
  if ('red' in place) return `${place.red} to ${place.black}`;
  return place.quantity === 'dc-current' ? `into ${place.element}` : `${place.element}, out`;
};
