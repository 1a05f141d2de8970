import { levels, makeHunt, type FaultHunt, type Level } from '@usual-drag/core/practice';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Button } from '../ui/button.tsx';
import { Segments } from '../ui/segments.tsx';
import { Toggle } from '../ui/toggle.tsx';
import { HuntBench } from './hunt-bench.tsx';
import { HuntBoard } from './hunt-board.tsx';
import { HuntDrawing } from './hunt-drawing.tsx';
import { firstSpot } from './hunt-place.ts';
import { levelOptions } from './kind-words.ts';

/** A simulated bench with one hidden fault: read as little as possible, then name it. */
export function FaultHuntView() {
  const [params, setParams] = useSearchParams();
  const level = levels.find((one) => String(one) === params.get('level')) ?? 1;
  const typed = params.get('seed') ?? '1';
  const seed = /^\d{1,15}$/.test(typed) ? Number(typed) : 1;
  const onBoard = params.get('board') === '1';
  const hunt = useMemo(() => makeHunt(level, seed, onBoard), [level, seed, onBoard]);
  const draw = (wanted: Level, board = onBoard): void =>
    setParams({
      level: String(wanted),
      seed: String(crypto.getRandomValues(new Uint32Array(1))[0]),
      ...(board && { board: '1' }),
    });
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
        <Toggle label="On a strip board" on={onBoard} onChange={(on) => draw(level, on)} />
        <Button onClick={() => draw(level)}>Another bench</Button>
      </div>
      <Hunt key={`${level} ${seed} ${onBoard}`} hunt={hunt} />
    </>
  );
}

/** One hunt: the circuit with the meter in it, and what it showed. */
function Hunt({ hunt }: { readonly hunt: FaultHunt }) {
  const { network } = hunt.job;
  const [spot, setSpot] = useState(() => firstSpot(network));
  const [isOver, setOver] = useState(false);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <section aria-label="Bench" className="flex flex-col gap-3 rounded-xl border border-line bg-sheet p-4">
        <p className="text-[17px] leading-snug">
          {hunt.text} {hunt.board ? boardRules : rules}
        </p>
        {isOver && hunt.board ? (
          <HuntBoard hunt={hunt} />
        ) : (
          <HuntDrawing network={network} spot={spot} onPlace={isOver ? undefined : setSpot} />
        )}
      </section>
      <HuntBench hunt={hunt} spot={spot} onSpot={setSpot} onOver={() => setOver(true)} />
    </div>
  );
}

const rules =
  'One part, or the supply, differs from the drawing. A voltage reading costs 1, a current 3, a resistance 5, because the circuit has to be opened or the part removed; a wrong answer costs 4.';
const boardRules =
  'It is built on a strip board with one mistake: a leg in a wrong row, a wire too many, or two parts exchanged. A voltage reading costs 1, a current 3; a wrong answer costs 4.';
