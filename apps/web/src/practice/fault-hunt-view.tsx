import { levels, makeHunt, type Level } from '@usual-drag/core/practice';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { NetworkPicture } from '../drawing/network-picture.tsx';
import { Button } from '../ui/button.tsx';
import { Segments } from '../ui/segments.tsx';
import { HuntBench } from './hunt-bench.tsx';
import { levelOptions } from './kind-words.ts';

/** A simulated bench with one hidden fault: read as little as possible, then name it. */
export function FaultHuntView() {
  const [params, setParams] = useSearchParams();
  const level = levels.find((one) => String(one) === params.get('level')) ?? 1;
  const typed = params.get('seed') ?? '1';
  const seed = /^\d{1,15}$/.test(typed) ? Number(typed) : 1;
  const hunt = useMemo(() => makeHunt(level, seed), [level, seed]);
  const draw = (wanted: Level): void =>
    setParams({ level: String(wanted), seed: String(crypto.getRandomValues(new Uint32Array(1))[0]) });
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <Segments
          label="Level"
          showLabel
          value={String(level)}
          options={levelOptions}
          onChange={(wanted) => draw(Number(wanted) as Level)}
        />
        <Button onClick={() => draw(level)}>Another bench</Button>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section aria-label="Bench" className="flex flex-col gap-3 rounded-xl border border-line bg-sheet p-4">
          <p className="text-[17px] leading-snug">
            {hunt.text} One part, or the supply, differs from the drawing. A voltage reading costs 1, a current 3, a
            resistance 5, because the circuit has to be opened or the part removed; a wrong answer costs 4.
          </p>
          <NetworkPicture network={hunt.job.network} label="Fault-free circuit" />
        </section>
        <HuntBench key={`${level} ${seed}`} hunt={hunt} />
      </div>
    </>
  );
}
