import { formatQuantity } from '@usual-drag/core/quantity';
import {
  rebuild,
  reduceNet,
  resistanceNet,
  sourcesOf,
  stepTitle,
  type Rebuilt,
  type Reduction,
  type Rounding,
} from '@usual-drag/core/reduction';
import { isLinear, type Unloaded } from '@usual-drag/core/loading';
import clsx from 'clsx';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useCommands, type Command } from '../../ui/commands.ts';
import { useNewest } from '../../ui/use-newest.ts';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { Note } from '../../ui/note.tsx';
import { Segments } from '../../ui/segments.tsx';
import { ByTangents } from './by-tangents.tsx';
import { Guess } from './guess.tsx';
import { StepView } from './step-view.tsx';
import { UpLines } from './up-lines.tsx';

/**
 * The network broken down to one resistance and built up again, a step at a time. Steps are walked by the arrow keys, kept
 * hidden until guessed, replayed with rounding, and printed whole.
 */
export function Working({ unloaded }: { readonly unloaded: Unloaded }) {
  const { network } = unloaded;
  const sources = sourcesOf(network);
  const [sourceId, setSource] = useState<string | null>(null);
  const source = sources.find(({ id }) => id === sourceId) ?? sources[0];
  if (!source) return <p className="p-4">There is no source to look from: add the supply that feeds this network.</p>;
  return (
    <Walk
      key={source.id}
      unloaded={unloaded}
      sourceId={source.id}
      choice={
        sources.length > 1 && (
          <Choice
            label="Seen from"
            className="w-44"
            value={source.id}
            options={sources.map(({ id }) => ({ value: id, text: `${id}, the others set to zero` }))}
            onChange={setSource}
          />
        )
      }
    />
  );
}

interface WalkProps {
  readonly unloaded: Unloaded;
  readonly sourceId: string;
  readonly choice: React.ReactNode;
}

function Walk({ unloaded, sourceId, choice }: WalkProps) {
  const { network, tangent } = unloaded;
  const [rounding, setRounding] = useState<Rounding>({ how: 'exact', digits: 3 });
  const [hidden, setHidden] = useState(false);
  const [at, setAt] = useState(0);
  const [shown, setShown] = useState(0);
  const net = useMemo(
    () =>
      resistanceNet(
        network,
        sourcesOf(network).find(({ id }) => id === sourceId)!,
        tangent,
      ),
    [network, tangent, sourceId],
  );
  const exact = useMemo(() => done(reduceNet(net)), [net]);
  const written = useMemo(
    () => (rounding.how === 'exact' ? exact : done(reduceNet(net, rounding), rounding)),
    [net, exact, rounding],
  );
  const { reduction } = written;
  const last = reduction.steps.length;
  const place = Math.min(at, last);
  const known = hidden ? Math.max(shown, place) : last;
  const walk = (by: number): void => {
    const next = Math.min(last, Math.max(0, place + by));
    if (hidden && next > shown) return;
    setAt(next);
  };
  const newestWalk = useNewest(walk);
  useCommands(
    'working',
    useMemo(
      (): Command[] => [
        { group: 'Views', text: 'Next step of the working', keys: 'right', keysOnly: true, run: () => newestWalk(1) },
        { group: 'Views', text: 'Step before', keys: 'left', keysOnly: true, run: () => newestWalk(-1) },
        { group: 'Views', text: 'First step', keys: 'home', keysOnly: true, run: () => setAt(0) },
      ],
      [newestWalk],
    ),
  );

  return (
    <div
      className="flex min-h-0 grow flex-col gap-3 overflow-auto p-4 print:overflow-visible"
      tabIndex={0}
      role="region"
      aria-label="Working"
    >
      <div className="flex flex-wrap items-end gap-2 print:hidden">
        <h2 className="mr-auto text-[18px] font-bold">Down to one resistance</h2>
        {choice}
        <Button
          aria-pressed={hidden}
          onClick={() => {
            setHidden(!hidden);
            setShown(0);
            if (!hidden) setAt(0);
          }}
          className={clsx(hidden && 'border-2 border-ink font-bold')}
        >
          {hidden ? 'show all' : 'hide until answered'}
        </Button>
        <RoundingChoice rounding={rounding} onChange={setRounding} />
        <Button onClick={() => window.print()}>
          <Printer aria-hidden size={17} /> Print
        </Button>
      </div>
      <ByTangents unloaded={unloaded}>
        A resistance that depends on its own current cannot be combined in series or parallel. Here each load is
        replaced by its tangent, and the result is the resistance for a small change.
      </ByTangents>
      <ol className="flex flex-wrap gap-1.5 print:hidden" aria-label="Steps">
        {[null, ...reduction.steps].map((step, index) => (
          <li key={index}>
            <button
              type="button"
              aria-current={index === place ? 'step' : undefined}
              disabled={index > known}
              onClick={() => setAt(index)}
              className={clsx(
                'min-h-9 rounded-lg border px-2.5 text-left text-[14px] disabled:opacity-50',
                index === place ? 'border-2 border-ink bg-sheet font-bold' : 'border-line bg-ground hover:border-soft',
              )}
            >
              <span className="figures">{index}</span>{' '}
              {step === null ? 'As drawn' : index > known ? '?' : stepTitle(step)}
            </button>
          </li>
        ))}
      </ol>
      <div className="print:hidden">
        <StepView network={network} reduction={reduction} place={place} />
      </div>
      {hidden && place === known && known < last && (
        <Guess
          key={place}
          step={exact.reduction.steps[place]!}
          onReveal={() => {
            setShown(place + 1);
            setAt(place + 1);
          }}
        />
      )}
      <div className="hidden flex-col gap-4 print:flex">
        {reduction.steps.map((_, index) => (
          <div key={index} className="break-inside-avoid">
            <StepView network={network} reduction={reduction} place={index + 1} />
          </div>
        ))}
      </div>
      {known >= last && <BackUp written={written} exact={exact} linear={isLinear(unloaded)} />}
    </div>
  );
}

interface Done {
  readonly reduction: Reduction;
  readonly up: Rebuilt | null;
}

const done = (reduction: Reduction, rounding?: Rounding): Done => ({ reduction, up: rebuild(reduction, rounding) });

interface BackUpProps {
  readonly written: Done;
  readonly exact: Done;
  readonly linear: boolean;
}

function BackUp({ written, exact, linear }: BackUpProps) {
  const { equivalent } = written.reduction;
  if (equivalent === null)
    return (
      <Note kind="limit">Nothing joins the source’s terminals: no current flows. Close a switch or add a part.</Note>
    );
  if (!written.up || !exact.up)
    return <Note kind="limit">A link joins the source’s terminals: there is no resistance to reduce.</Note>;
  return (
    <>
      <p className="text-[16px]">
        The source sees <b className="figures">{formatQuantity(equivalent, 'Ω', { digits: 6, trim: true })}</b>.
      </p>
      {linear ? (
        <UpLines written={written.up} exact={exact.up} />
      ) : (
        <p className="max-w-2xl text-[15px]">
          The currents do not follow from this resistance: they follow from the curves of the loads. See the table of
          parts.
        </p>
      )}
    </>
  );
}

interface RoundingProps {
  readonly rounding: Rounding;
  readonly onChange: (rounding: Rounding) => void;
}

/** Choice of rounding for the intermediate numbers of a hand calculation. */
function RoundingChoice({ rounding, onChange }: RoundingProps) {
  const { how, digits } = rounding;
  return (
    <div className="flex items-end gap-1">
      <Segments
        label="Every number on the way"
        value={how}
        options={[
          { value: 'exact', text: 'exact' },
          { value: 'round', text: 'rounded' },
          { value: 'truncate', text: 'cut off' },
        ]}
        onChange={(next) => onChange({ how: next, digits })}
      />
      {how !== 'exact' && (
        <Choice
          label="Digits kept"
          className="w-28"
          value={String(digits)}
          options={['2', '3', '4', '5', '6'].map((n) => ({ value: n, text: `to ${n} digits` }))}
          onChange={(n) => onChange({ how, digits: Number(n) })}
        />
      )}
    </div>
  );
}
