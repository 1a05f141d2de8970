import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { solveUnloaded } from '@usual-drag/core/loading';
import { faultSentence, type Hypothesis } from '@usual-drag/core/faults';
import {
  costOf,
  isTheFault,
  readingCosts,
  readOnLowestRange,
  wrongAnswerCost,
  type BenchPlace,
  type FaultHunt,
  type SharpReading,
} from '@usual-drag/core/practice';
import { useMemo, useState } from 'react';
import { Button } from '../ui/button.tsx';
import { FiguresTable } from '../ui/figures-table.tsx';
import { FaultChoice } from './fault-choice.tsx';
import { HuntResult } from './hunt-result.tsx';
import { handIn } from './hand-in.ts';
import type { HuntSpot } from './hunt-place.ts';
import { PlaceMeter } from './place-meter.tsx';
import { whereOf } from './problem-readings.tsx';

interface Props {
  readonly hunt: FaultHunt;
  readonly spot: HuntSpot;
  readonly onSpot: (spot: HuntSpot) => void;
  /** The fault is named or shown. */
  readonly onOver: () => void;
}

/** The meter on the bench, what it showed and cost, and the answer. */
export function HuntBench({ hunt, spot, onSpot, onOver }: Props) {
  const [begun] = useState(() => performance.now());
  const [taken, setTaken] = useState<readonly SharpReading[]>([]);
  /** Faults that were named and are not the hidden one. */
  const [wrong, setWrong] = useState<readonly Hypothesis[]>([]);
  const [end, setEnd] = useState<'found' | 'given-up' | null>(null);
  const finish = (how: 'found' | 'given-up'): void => {
    setEnd(how);
    onOver();
  };
  const { network } = hunt.job;
  const sound = useMemo(() => {
    const solved = solveUnloaded(network);
    return solved.ok ? solved.value.values : null;
  }, [network]);
  const expected = (place: BenchPlace): string => {
    const unit = unitOf(place.quantity);
    const value =
      place.quantity === 'dc-voltage'
        ? (sound?.nodes[place.red] ?? 0) - (sound?.nodes[place.black] ?? 0)
        : place.quantity === 'dc-current'
          ? (sound?.elements[place.ends[0]!.split('.')[0]!]?.current ?? 0)
          : (hunt.job.network.elements.flatMap((one) =>
              one.id === place.element && one.kind === 'resistor' ? [one.resistance] : [],
            )[0] ?? 0);
    return formatQuantity(value, unit, { digits: 3 });
  };
  const read = (spot: BenchPlace): void => {
    const found = readOnLowestRange(hunt.bench, spot);
    if (found) setTaken([...taken, found]);
  };
  /** The first answer is the one that is kept. */
  const keepFirst = (right: boolean): void => {
    if (wrong.length > 0) return;
    handIn({
      kind: 'fault-hunt',
      level: hunt.level,
      seed: hunt.seed,
      right,
      slip: null,
      hints: 0,
      seconds: Math.round((performance.now() - begun) / 100) / 10,
    });
  };
  const name = (fault: Hypothesis): void => {
    const right = isTheFault(fault, hunt);
    keepFirst(right);
    if (right) finish('found');
    else setWrong([...wrong, fault]);
  };
  const giveUp = (): void => {
    keepFirst(false);
    finish('given-up');
  };
  const cost = costOf(taken.map(({ place }) => place)) + wrong.length * wrongAnswerCost;
  return (
    <section aria-label="Search" className="flex flex-col gap-4 rounded-xl border border-line bg-sheet p-4">
      {!end && (
        <PlaceMeter network={network} spot={spot} partsOut={hunt.board === null} onSpot={onSpot} onRead={read} />
      )}
      <FiguresTable
        label="Readings"
        head={['Reading', 'Display', 'Fault-free', 'Cost']}
        rows={taken.map(({ place, observation }, k) => ({
          key: String(k),
          cells: [
            whereOf(place),
            `${observation.shown.replace('-', '−')} ${observation.shown === 'OL' ? '' : observation.unit}`,
            expected(place),
            String(readingCosts[place.quantity]),
          ],
        }))}
      />
      <p role="status" className="text-[17px]">
        {taken.length === 0 && wrong.length === 0 ? (
          'No readings yet.'
        ) : (
          <>
            Cost so far: <b className="figures">{cost}</b>
          </>
        )}
      </p>
      {wrong.length > 0 && (
        <div role="status">
          <ul className="text-fault">
            {wrong.map((fault) => (
              <li key={faultSentence(fault)}>
                Not correct: {faultSentence(fault)} That costs {wrongAnswerCost}.
              </li>
            ))}
          </ul>
        </div>
      )}
      {end ? (
        <HuntResult hunt={hunt} isFound={end === 'found'} cost={cost} />
      ) : (
        <div className="flex flex-col gap-1 border-t border-line pt-3">
          <h2 className="text-[17px] font-bold">What is wrong?</h2>
          <FaultChoice faults={hunt.candidates} button="Name it" onName={name} />
          {wrong.length > 0 && (
            <Button className="self-start" onClick={giveUp}>
              Show the fault
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
