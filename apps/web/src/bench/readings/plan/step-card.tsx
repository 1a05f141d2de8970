import { formatQuantity } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import { findRange, instrumentUncertainty, unitOf } from '@usual-drag/core/instrument';
import { displayRemark, type Reading } from '@usual-drag/core/readings';
import { namesOf, type PlanStep, readingsAt, type ReadStep } from '@usual-drag/core/plan';
import clsx from 'clsx';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Button } from '../../../ui/button.tsx';
import { Note } from '../../../ui/note.tsx';
import { useBench } from '../../model/bench-store.ts';
import { useExplain } from '../diagnosis/use-explain.ts';
import { DisplayEntry } from '../entry/display-entry.tsx';
import { ExpectationBar } from '../entry/expectation-bar.tsx';
import { tick, useReadingEntry } from '../../model/reading-entry.ts';
import { useReadingHabits } from '../../model/reading-habits.ts';
import { openStep, isTakenWith, keepReading, placedAt } from '../entry/keep-reading.ts';
import { checksOf, titleOf, usualPrefix } from './step-words.ts';
import { observationsAt, readSimulated } from '../prepare/simulated.ts';
import { AfterPlan } from './after-plan.tsx';
import { TakenHere } from './taken-here.tsx';
import { SetMeter } from '../entry/set-meter.tsx';
import { useInstrumentLink } from '../entry/use-instrument-link.ts';
import { useBoardPlaces } from './use-board-places.ts';
import type { Readings } from '../use-readings.ts';

interface Props {
  readonly readings: Readings;
  readonly step: PlanStep;
  /** Alone on the screen, legible from two metres. */
  readonly large?: boolean;
}

/** Open step: settings, expectation, cautions, and one large field for the display. */
export function StepCard({ readings, step, large = false }: Props) {
  const { steps } = readings;
  const network = useBench((state) => state.document.network);
  const number = steps.indexOf(step) + 1;
  const cautions = 'cautions' in step ? (step.cautions ?? []) : [];
  return (
    <section
      aria-label="Open step"
      className={clsx('flex flex-col gap-1.5', !large && 'rounded-xl border border-line bg-sheet p-3')}
    >
      <header className="flex items-center gap-1.5">
        <h2 className={clsx('min-w-0 grow leading-tight font-bold', large ? 'text-[min(5.5vh,8.0vw)]' : 'text-[19px]')}>
          <span className="figures mr-2 font-normal text-soft">
            {number}/{steps.length}
          </span>
          {titleOf(step)}
        </h2>
        <Button
          tone="quiet"
          aria-label="Step before"
          title="Step before (Page Up)"
          onClick={() => openStep(steps, step, -1)}
        >
          <ChevronLeft aria-hidden size={large ? 32 : 18} />
        </Button>
        <Button
          tone="quiet"
          aria-label="Next step"
          title="Next step (Page Down)"
          onClick={() => openStep(steps, step, 1)}
        >
          <ChevronRight aria-hidden size={large ? 32 : 18} />
        </Button>
      </header>
      {cautions.map((caution) => (
        <div key={caution} className={clsx(large && '[&_*]:text-[min(2.6vh,3.8vw)]!')}>
          <Note kind="hazard">{caution}</Note>
        </div>
      ))}
      {!large &&
        step.notes?.map((note) => (
          <p key={note} className="text-[14px] text-soft">
            {note}
          </p>
        ))}
      {step.do === 'read' ? (
        <ReadCard key={step.id} readings={readings} step={step} large={large} />
      ) : (
        <DoCard key={step.id} readings={readings} step={step} network={network} large={large} />
      )}
    </section>
  );
}

/** Positions of a step's probes on the strip board; nothing if no part is on the board. */
function OnBoard({ step, large }: { readonly step: PlanStep; readonly large: boolean }) {
  const lines = useBoardPlaces(step);
  if (lines.length === 0) return null;
  return (
    <p className={clsx('text-soft', large ? 'text-[min(3vh,4.3vw)]' : 'text-[15px]')}>
      On the board: {lines.join('; ')}.
    </p>
  );
}

interface CardProps<S> {
  readonly readings: Readings;
  readonly step: S;
  readonly large: boolean;
}

function ReadCard({ readings, step, large }: CardProps<ReadStep>) {
  const instruments = useBench((state) => state.document.instruments) ?? [];
  const ticked = useReadingEntry((state) => state.ticked[step.id]) ?? [];
  const instrument = instruments.find(({ id }) => id === step.instrument);
  const taken = readingsAt(readings.readings, step);
  const newest = taken.at(-1);
  const compared = newest ? readings.comparedAs(newest) : null;
  const unit = unitOf(step.quantity);
  const range = instrument && findRange(instrument, step.quantity, step.range);
  const { staysIfDisagreeing, hidesExpected } = useReadingHabits();
  /** Whether a reading is the first here that does not agree: the step then stays open. */
  const disagrees = (reading: Reading): boolean =>
    staysIfDisagreeing &&
    readings.compare(reading)?.verdict === 'does-not-agree' &&
    !taken.some((one) => readings.comparedAs(one)?.verdict === 'does-not-agree');
  const goOn = (isWrong: boolean): void => {
    // The first step that is to be done would be the next one already.
    if (isWrong) useReadingEntry.setState({ step: step.id });
    else openStep(readings.steps, step, 1);
  };
  const link = useInstrumentLink(instrument, placedAt(step), (kept) => {
    goOn(disagrees(kept));
  });
  const isUnexplained = compared?.verdict === 'does-not-agree' && taken.length === 1 && !newest?.note;
  const isHidden = hidesExpected && taken.length === 0;
  const uncertainty = range ? instrumentUncertainty(instrument, range, step.expected, step.rate) : null;
  // A reading at this point may have been taken with another instrument: its figures belong to that one.
  const isOwn = newest !== undefined && isTakenWith(newest, step);
  const bar =
    isOwn && compared?.expected != null
      ? compared
      : { ...step, true: trueOf(readings, step), uncertainty, value: compared?.value ?? null };
  return (
    <>
      <ul
        className={clsx('flex', large ? 'flex-col gap-1 text-[min(3.2vh,4.6vw)]' : 'flex-wrap gap-x-4 text-[15px]')}
        aria-label="To set"
      >
        {checksOf(step, instruments, readings.conventions).map(({ id, text, short }) => (
          <li key={id}>
            <label className="flex min-h-6 items-center gap-2 pointer-coarse:min-h-11">
              <input
                type="checkbox"
                className={clsx('shrink-0 accent-(--ochre-line)', large ? 'size-[3.2vh]' : 'size-5')}
                aria-label={text}
                checked={ticked.includes(id)}
                onChange={() => tick(step.id, id)}
              />
              <span title={text}>{large ? text : short}</span>
            </label>
          </li>
        ))}
      </ul>
      <OnBoard step={step} large={large} />
      {isHidden ? (
        <p className="rounded-lg bg-sunk px-3 py-1.5 text-soft">The expected value appears once a reading is kept.</p>
      ) : (
        <div className={clsx('rounded-lg bg-sunk px-3 py-1.5', large && 'text-[min(3vh,4.3vw)]')}>
          <p className="flex items-baseline justify-between gap-3">
            <span className="text-soft">Expect the display at</span>
            <b
              className={clsx(
                'figures whitespace-nowrap',
                large ? 'text-[min(9vh,9.0vw)] leading-none' : 'text-[24px]',
              )}
            >
              {step.display} {step.unit}
            </b>
          </p>
          {!large && instrument?.display !== 'analogue' && <ExpectationBar figures={bar} unit={unit} />}
          {large && (
            <p>
              between {formatQuantity(step.low, unit, { digits: 4 })} and{' '}
              {formatQuantity(step.high, unit, { digits: 4 })}
            </p>
          )}
        </div>
      )}
      {newest && isUnexplained && <Unexplained reading={newest} />}
      <DisplayEntry
        place={step.id}
        quantity={step.quantity}
        prefix={usualPrefix(instrument, step.quantity, step.range)}
        focus
        large={large}
        simulate={(time) => readSimulated(placedAt(step), observationsAt(taken) + time)}
        isDigital={instrument?.display === 'digital'}
        link={link}
        picture={({ typed, place }) =>
          instrument && (
            <SetMeter
              instrument={instrument}
              quantity={step.quantity}
              range={step.range}
              from={settingBefore(readings.steps, step)}
              expected={isHidden ? null : step}
              observation={typed ?? (isOwn ? (newest.observations.at(-1) ?? null) : null)}
              onPlace={place}
              large={large}
            />
          )
        }
        remarkOn={(observation) => displayRemark(placedAt(step), instrument, observation)}
        onKeep={(observation, stay, origin) => {
          const isWrong = disagrees({ id: 'new', observations: [observation], ...placedAt(step) });
          keepReading(placedAt(step), observation, stay, origin);
          if (!stay) goOn(isWrong);
        }}
      />
      <TakenHere readings={readings} taken={taken} large={large} />
    </>
  );
}

/** Returns the setting of a step's instrument at the last step before it that reads with it; null if there is none. */
function settingBefore(steps: readonly PlanStep[], step: ReadStep): ReadStep | null {
  const before = steps
    .slice(0, steps.indexOf(step))
    .findLast((one) => one.do === 'read' && one.instrument === step.instrument);
  return before?.do === 'read' ? before : null;
}

/** Asks for a second look at a reading that does not agree. */
function Unexplained({ reading }: { readonly reading: Reading }) {
  const explain = useExplain();
  return (
    <p role="status" className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded-lg border-2 border-fault px-3 py-1">
      <span>{reading.id} does not agree. Read it a second time, or look for the reason.</span>
      <Button onClick={() => explain(reading.id)}>Explain {reading.id}</Button>
    </p>
  );
}

/** Returns the indication of an ideal meter at a step's place. */
function trueOf({ expect }: Readings, step: ReadStep): number {
  const { quantity: _quantity, ...rest } = placedAt(step);
  return expect({ id: 'step', quantity: step.quantity, ...rest, observations: [] } as never)?.true ?? step.expected;
}

function DoCard({
  readings,
  step,
  network,
  large,
}: CardProps<Exclude<PlanStep, ReadStep>> & { readonly network: Network }) {
  const done = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    done.current?.focus({ preventScroll: true });
  }, []);
  const isLast = step.do === 'off';
  return (
    <>
      <ul className={clsx('list-disc pl-5', large ? 'text-[min(4vh,5.8vw)]' : 'text-[15px]')}>
        {linesOf(step, network).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <OnBoard step={step} large={large} />
      {!isLast && (
        <p>
          <button
            ref={done}
            type="button"
            className={clsx(
              'rounded-lg bg-bar font-bold text-onbar hover:opacity-90 dark:border dark:border-soft',
              large ? 'min-h-[10vh] px-10 text-[min(5vh,7.2vw)]' : 'min-h-11 px-5 text-[17px]',
            )}
            onClick={() => openStep(readings.steps, step, 1)}
          >
            Done, go on
          </button>
        </p>
      )}
      {isLast && !large && readings.readings.length > 0 && <AfterPlan />}
    </>
  );
}

function linesOf(step: Exclude<PlanStep, ReadStep>, network: Network): string[] {
  const ends = 'ends' in step ? namesOf(step.ends) : '';
  switch (step.do) {
    case 'supply': {
      const source = network.elements.find(({ id }) => id === step.element);
      const unit = source?.kind === 'current-source' ? 'A' : 'V';
      return [
        ...(step.currentLimit === null
          ? []
          : [`Current limit at ${formatQuantity(step.currentLimit, 'A', { digits: 2, trim: true })}`]),
        `${step.element} at ${formatQuantity(step.set, unit, { digits: 6, trim: true })}${step.channel ? `, channel ${step.channel}` : ''}`,
        'Set it by the meter at its terminals, not by its own display',
        'Switch on',
      ];
    }
    case 'break':
      return [`Lift ${ends} off ${step.node}`, 'Put the meter in, then the supply on again'];
    case 'restore':
      return ['Supply off, meter out', `Join ${ends} to ${step.node} again before going on`];
    case 'off':
      return ['Supply off', 'Leads back in the voltage jacks', 'Every break closed', 'Board stripped, bench as found'];
  }
}
