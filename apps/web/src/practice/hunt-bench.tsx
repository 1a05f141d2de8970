import { formatQuantity } from '@usual-drag/core/quantity';
import { nodesOf } from '@usual-drag/core/network';
import { unitOf } from '@usual-drag/core/instrument';
import { solveUnloaded } from '@usual-drag/core/loading';
import type { Hypothesis } from '@usual-drag/core/faults';
import {
  costOf,
  isTheFault,
  readingCosts,
  readOnLowestRange,
  type BenchPlace,
  type FaultHunt,
  type SharpReading,
} from '@usual-drag/core/practice';
import { useMemo, useState } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';
import { FaultChoice } from './fault-choice.tsx';
import { HuntResult } from './hunt-result.tsx';
import { handIn } from './hand-in.ts';
import { PlaceMeter } from './place-meter.tsx';
import { whereOf } from './problem-readings.tsx';

/** The meter on the bench, what it showed and cost, and the answer. */
export function HuntBench({ hunt }: { readonly hunt: FaultHunt }) {
  const [begun] = useState(() => performance.now());
  const [taken, setTaken] = useState<readonly SharpReading[]>([]);
  const [named, setNamed] = useState<Hypothesis | null>(null);
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
  const name = (fault: Hypothesis): void => {
    setNamed(fault);
    handIn({
      kind: 'fault-hunt',
      level: hunt.level,
      seed: hunt.seed,
      right: isTheFault(fault, hunt),
      slip: null,
      hints: 0,
      seconds: Math.round((performance.now() - begun) / 100) / 10,
    });
  };
  const cost = costOf(taken.map(({ place }) => place));
  return (
    <section aria-label="Search" className="flex flex-col gap-4 rounded-xl border border-line bg-sheet p-4">
      {!named && <PlaceMeter network={network} nodes={nodesOf(network)} onRead={read} />}
      <FiguresTable
        label="Readings"
        head={['Reading', 'it reads', 'sound', 'cost']}
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
        {taken.length === 0 ? (
          'No readings yet.'
        ) : (
          <>
            Cost so far: <b className="figures">{cost}</b>
          </>
        )}
      </p>
      {named ? (
        <HuntResult hunt={hunt} named={named} taken={taken} />
      ) : (
        <div className="flex flex-col gap-1 border-t border-line pt-3">
          <h2 className="text-[17px] font-bold">What is wrong?</h2>
          <FaultChoice faults={hunt.candidates} button="Name it" onName={name} />
        </div>
      )}
    </section>
  );
}
