import {
  displayToExpect,
  findRange,
  instrumentUncertainty,
  instrumentForJob,
  rangesOf,
  unitOf,
  type Instrument,
  type KitInstrument,
  type RangeOf,
  type ReadingQuantity,
} from '@usual-drag/core/instrument';
import {
  bestRangeOptions,
  changeInstrument,
  measurementPointOf,
  newMeter,
  rangeTable,
  setupFaults,
  type Meter,
} from '@usual-drag/core/loading';
import { displayRemark, type ComparedReading, type Expectation, type Reading } from '@usual-drag/core/readings';
import { readingsAt } from '@usual-drag/core/plan';
import { keepInstrument, placedPositive } from '@usual-drag/core/job';
import { useMemo } from 'react';
import { Button } from '../../../ui/button.tsx';
import { Choice } from '../../../ui/choice.tsx';
import { Segments } from '../../../ui/segments.tsx';
import { benchNow, useBench } from '../../model/bench-store.ts';
import type { BenchView } from '../../model/use-bench-view.ts';
import { Leads } from '../../canvas/leads.tsx';
import { DisplayEntry } from './display-entry.tsx';
import { ExpectationBar } from './expectation-bar.tsx';
import { HowRead } from './how-read.tsx';
import { useReadingHabits } from '../../model/reading-habits.ts';
import { useReadingEntry, type FreePlace } from '../../model/reading-entry.ts';
import { isTakenWith, keepReading, placedFree } from './keep-reading.ts';
import { SetMeter, type ExpectedIndication } from './set-meter.tsx';
import { useInstrumentLink } from './use-instrument-link.ts';
import { usualPrefix } from '../plan/step-words.ts';
import { observationsAt, readSimulated } from '../prepare/simulated.ts';
import { TakenHere } from '../plan/taken-here.tsx';
import type { Readings } from '../use-readings.ts';

interface Props {
  readonly readings: Readings;
  readonly view: BenchView;
  readonly free: FreePlace;
  readonly kit: readonly KitInstrument[];
}

const quantities: readonly { readonly value: ReadingQuantity; readonly text: string }[] = [
  { value: 'dc-voltage', text: 'Voltage' },
  { value: 'dc-current', text: 'Current' },
  { value: 'resistance', text: 'Resistance' },
];

/** Places a meter to be read without the plan: as the newest reading was taken, otherwise on the range that reads best. */
export function placeFree(view: BenchView): void {
  const last = view.job.readings?.findLast(({ struck }) => struck === undefined);
  const again = last && asTaken(last, view);
  if (again) return useReadingEntry.setState({ free: again, again: null });
  const instrument = view.instruments.find((one) => rangesOf(one, 'dc-voltage').length > 0) ?? view.instruments[0];
  const free = instrument ? freeOf('dc-voltage', instrument, view) : null;
  if (free) useReadingEntry.setState({ free, again: null });
}

/** Meter placed by hand, and its reading: the same entry, expectation and verdict as at a step of the plan. */
export function FreeReading({ readings, view, free, kit }: Props) {
  const edit = useBench((state) => state.edit);
  const { instruments, job } = view;
  const { quantity } = free;
  const place = (next: FreePlace): void => useReadingEntry.setState({ free: next, again: null });
  const fitting = useMemo(() => {
    const both = [
      ...instruments,
      ...kit.filter(({ id }) => !instruments.some((own) => own.id === id)).map(instrumentForJob),
    ];
    return both.filter((one) => rangesOf(one, quantity).length > 0);
  }, [instruments, kit, quantity]);
  const instrument = fitting.find(({ id }) => id === free.instrument);
  const range = instrument && findRange(instrument, quantity, free.range);
  const reading = useMemo((): Reading => ({ id: 'here', ...placedFree(free), observations: [] }), [free]);
  const expectation = readings.expect(reading);
  const taken = readingsAt(readings.readings, reading);
  const newest = taken.at(-1);
  const isHidden = useReadingHabits().hidesExpected && !newest;
  const compared = newest ? readings.comparedAs(newest) : null;
  const isOwn = newest !== undefined && isTakenWith(newest, free);
  const link = useInstrumentLink(instrument, placedFree(free));
  const take = (id: string): void => {
    const next = fitting.find((one) => one.id === id);
    if (!next) return;
    edit((current) => keepInstrument(current, next));
    place(
      free.quantity === 'resistance'
        ? { ...free, instrument: id, range: rangesOf(next, 'resistance').at(-1)!.id }
        : changeInstrument(free, next),
    );
  };
  return (
    <section
      aria-label="Reading without the plan"
      className="flex flex-col gap-2 rounded-xl border border-line bg-sheet p-3"
    >
      <div className="flex flex-wrap items-center justify-between gap-2">
        <Segments
          label="Quantity"
          value={quantity}
          options={quantities}
          onChange={(next) => turnTo(next, [...instruments, ...fitting, ...kit.map(instrumentForJob)], view)}
        />
        <Button onClick={() => useReadingEntry.setState({ free: null })}>Back to the plan</Button>
      </div>
      <Choice
        label="Instrument"
        value={free.instrument}
        options={fitting.map(({ id, name }) => ({ value: id, text: name ?? id }))}
        onChange={take}
        missing="Choose an instrument"
      />
      {instrument && (
        <Segments
          label="Range"
          wrap
          value={free.range}
          options={rangesOf(instrument, quantity).map(({ id }) => ({ value: id, text: id }))}
          onChange={(id) => place({ ...free, range: id })}
        />
      )}
      <HowRead free={free} instrument={instrument} setups={job.setups ?? []} place={place} />
      {free.quantity === 'resistance' ? (
        <Choice
          label="Part, out of the circuit"
          beside="Part"
          value={free.element}
          options={job.network.elements.flatMap(({ id, kind }) =>
            kind === 'resistor' ? [{ value: id, text: id }] : [],
          )}
          onChange={(element) => place({ ...free, element })}
        />
      ) : (
        <Leads setup={{ id: 'free', meters: [free] }} meter={free} place={place} />
      )}
      {expectation && range && instrument && !isHidden && (
        <Expected
          expectation={expectation}
          free={free}
          instrument={instrument}
          range={range}
          own={isOwn ? compared : null}
          value={compared?.value ?? null}
        />
      )}
      <DisplayEntry
        key={`${quantity} ${free.instrument} ${free.range}`}
        place="free"
        quantity={quantity}
        prefix={usualPrefix(instrument, quantity, free.range)}
        focus={false}
        simulate={(time) => readSimulated(placedFree(free), observationsAt(taken) + time)}
        isDigital={instrument?.display === 'digital'}
        link={link}
        picture={({ typed, place: placeNeedle }) =>
          instrument && (
            <SetMeter
              instrument={instrument}
              quantity={quantity}
              range={free.range}
              from={null}
              expected={isHidden ? null : limitsOf(expectation)}
              observation={typed ?? (isOwn ? (newest.observations.at(-1) ?? null) : null)}
              onPlace={placeNeedle}
            />
          )
        }
        remarkOn={(observation) => displayRemark(placedFree(free), instrument, observation)}
        onKeep={(observation, stay, origin) => keepReading(placedFree(free), observation, stay, origin)}
      />
      <TakenHere readings={readings} taken={taken} />
    </section>
  );
}

/** The placement of a reading; null if its instrument, range or part is gone. */
function asTaken(reading: Reading, { instruments, job }: BenchView): FreePlace | null {
  const instrument = instruments.find(({ id }) => id === reading.instrument);
  if (!instrument || !findRange(instrument, reading.quantity, reading.range)) return null;
  const { observations: _shown, by: _person, note: _note, source: _source, struck: _struck, ...placed } = reading;
  if (placed.quantity === 'resistance')
    return job.network.elements.some(({ id }) => id === placed.element) ? placed : null;
  if (placed.quantity === 'dc-voltage' && placed.unloaded !== undefined) return null;
  const isThere = setupFaults(job.network, instruments, { id: 'free', meters: [placed] }).length === 0;
  return isThere ? placed : null;
}

interface ExpectedProps {
  readonly expectation: Expectation;
  readonly free: FreePlace;
  readonly instrument: Instrument;
  readonly range: RangeOf<ReadingQuantity>;
  /** The newest reading at this point if it was taken with this instrument on this range. */
  readonly own: ComparedReading | null;
  /** Value of the newest reading at this point. */
  readonly value: number | null;
}

/** The display to expect, with its band; the uncertainty is that of the instrument that is chosen. */
function Expected({ expectation, free, instrument, range, own, value }: ExpectedProps) {
  const { expected, limits } = expectation;
  if (expected === null) return null;
  const { display, unit } = displayToExpect(instrument, free.quantity, range, expected);
  const figures = own ?? {
    true: expectation.true,
    expected,
    low: limits?.low ?? null,
    high: limits?.high ?? null,
    uncertainty: instrumentUncertainty(instrument, range, expected, free.rate),
    value,
  };
  return (
    <div className="rounded-lg bg-sunk px-3 py-1.5">
      <p className="flex items-baseline justify-between gap-3">
        <span className="text-soft">Expect the display at</span>
        <b className="figures text-[24px] whitespace-nowrap">
          {display} {display === 'OL' ? '' : unit}
        </b>
      </p>
      {instrument.display !== 'analogue' && <ExpectationBar figures={figures} unit={unitOf(free.quantity)} />}
    </div>
  );
}

/** Returns the expected indication with its limits, or with none of its own if the parts have no tolerance; null if it is not known. */
function limitsOf(expectation: Expectation | null): ExpectedIndication | null {
  if (!expectation || expectation.expected === null) return null;
  const { expected, limits } = expectation;
  return { expected, low: limits?.low ?? expected, high: limits?.high ?? expected };
}

/** The same bench for another quantity: on the first instrument that reads it, which the job then keeps. */
function turnTo(quantity: ReadingQuantity, instruments: readonly Instrument[], view: BenchView): void {
  const instrument = instruments.find((one) => rangesOf(one, quantity).length > 0);
  const free = instrument && freeOf(quantity, instrument, view);
  if (!free) return;
  benchNow().edit((job) => keepInstrument(job, instrument));
  useReadingEntry.setState({ free, again: null });
}

function freeOf(quantity: ReadingQuantity, instrument: Instrument, { job, unloaded }: BenchView): FreePlace | null {
  if (quantity !== 'resistance') {
    const alone = { id: 'free', meters: [] };
    const meter = newMeter(job.network, alone, instrument, quantity);
    const placed = meter && placedPositive(unloaded, [instrument], alone, meter);
    return placed && onBestRange(placed, instrument, unloaded);
  }
  const part = benchNow().document.network.elements.find(({ kind }) => kind === 'resistor');
  const range = rangesOf(instrument, 'resistance').at(-1);
  return part && range ? { quantity, instrument: instrument.id, range: range.id, element: part.id } : null;
}

/** A meter on the range of its instrument that reads best at its measurement point. */
function onBestRange<M extends Meter>(meter: M, instrument: Instrument, unloaded: BenchView['unloaded']): M {
  const setup = { id: 'free', meters: [meter] };
  const point = unloaded.ok ? measurementPointOf(unloaded.value, [instrument], setup, meter.id) : null;
  const best = point?.ok ? bestRangeOptions(rangeTable(point.value, meter.quantity, [instrument])) : null;
  const option = best?.corrected ?? best?.uncorrected;
  return option ? { ...meter, range: option.range.id } : meter;
}
