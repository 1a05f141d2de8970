import {
  changeInstrument,
  endsAt,
  findRange,
  keepInstrument,
  putMeter,
  rangesOf,
  samePoint,
  swapLeads,
  toggleEnd,
  type AmmeterPlacement,
  type Instrument,
  type Meter,
  type MeterReading,
  type Setup,
  type Unloaded,
  type VoltmeterPlacement,
  type RangeOption,
} from '@usual-drag/core';
import { ArrowLeftRight, Trash2 } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { Note } from '../../ui/note.tsx';
import { Segments } from '../../ui/segments.tsx';
import { benchNow, useBench } from '../model/bench-store.ts';
import { CorrectAndRequire } from './correct-and-require.tsx';
import { useCorrected } from './corrected.ts';
import { Checks, Handled } from './wrong-connection.tsx';
import { KitVersion } from './kit-version.tsx';
import { useRangeOptions, type RangeOptions } from './range-options.ts';
import { MeterFace } from './meter-face.tsx';
import { useNodeOptions } from './node-options.tsx';
import { RangeOptionsTable } from './range-table.tsx';
import type { MistakeTrial } from './use-mistake.ts';

const none: readonly never[] = [];

interface Props {
  readonly setup: Setup;
  /** As it is shown: while a lead is dragged, where it is held. */
  readonly meter: Meter;
  readonly reading: MeterReading | null;
  readonly kit: readonly Instrument[];
  readonly unloaded: Unloaded | null;
  /** As it is shown, with the meter where it is held. */
  readonly shown: Setup;
  readonly trial: MistakeTrial;
  readonly onRemove: () => void;
}

/** One meter: function, leads, range, placement, in that order, then what it shows. */
export function MeterCard({ setup, shown, meter, reading, kit, unloaded, trial, onRemove }: Props) {
  const job = useBench((state) => state.document);
  const edit = useBench((state) => state.edit);
  const [several, setSeveral] = useState(false);
  const { quantity } = meter;
  const fitting = useMemo(() => {
    const own = job.instruments ?? [];
    const both = [...own, ...kit.filter((instrument) => !own.some((other) => other.id === instrument.id))];
    return both.filter((candidate) => rangesOf(candidate, quantity).length > 0);
  }, [job.instruments, kit, quantity]);
  const instrument = fitting.find((candidate) => candidate.id === meter.instrument);
  const candidates = useMemo(
    () => (several ? fitting : instrument ? [instrument] : []),
    [several, fitting, instrument],
  );
  const rangeOptions = useRangeOptions(unloaded, job.instruments ?? none, shown, meter, candidates);
  // With every instrument of the kit in it the table is long: the meter's face goes before it.
  const later = useDeferredValue(rangeOptions);
  const listed = several ? later : rangeOptions;
  const range = instrument && findRange(instrument, meter.quantity, meter.range);
  const wrong = trial.asked?.meter === meter.id && trial.outcome?.ok ? trial.outcome.value : null;
  const corrected = useCorrected(rangeOptions, meter, instrument, range, reading);
  const place = (next: Meter): void => edit((current) => putMeter(current, setup, next));
  const take = (id: string): void => {
    const next = fitting.find((candidate) => candidate.id === id);
    if (next) edit((current) => putMeter(keepInstrument(current, next), setup, changeInstrument(meter, next)));
  };
  return (
    <section aria-label={`Meter ${meter.id}`} className="flex flex-col gap-2.5">
      <div className="flex items-end gap-2">
        <span className="figures inline-flex size-9 shrink-0 items-center justify-center rounded-full border-2 border-(--ochre-line) font-bold text-ochre">
          {meter.id}
        </span>
        <Choice
          label={`Instrument of ${meter.id}`}
          className="min-w-0 grow"
          value={meter.instrument}
          options={fitting.map(({ id, name }) => ({ value: id, text: name ?? id }))}
          onChange={take}
          missing="Choose an instrument"
        />
        <Button tone="quiet" aria-label={`Remove ${meter.id}`} onClick={onRemove} className="px-2">
          <Trash2 aria-hidden size={17} />
        </Button>
      </div>
      <Checks
        meter={meter}
        instrument={instrument}
        range={range}
        shortCircuit={meter.quantity === 'dc-current' ? (rangeOptions?.point.ideal ?? null) : null}
      />
      {instrument && (
        <Segments
          label={`Range of ${meter.id}`}
          wrap
          value={meter.range}
          options={rangesOf(instrument, meter.quantity).map(({ id }) => ({ value: id, text: id }))}
          onChange={(id) => place({ ...meter, range: id })}
        />
      )}
      {instrument && (
        <KitVersion
          meter={meter}
          instrument={instrument}
          rangeOptions={rangeOptions}
          onTake={(id) => place({ ...meter, range: id })}
        />
      )}
      {meter.quantity === 'dc-voltage' ? (
        <Across meter={meter} place={place} />
      ) : (
        <InSeries setup={setup} meter={meter} place={place} />
      )}
      {wrong && <Note kind={wrong.caution.kind}>{wrong.caution.message}</Note>}
      {trial.asked?.meter === meter.id && trial.outcome && !trial.outcome.ok && (
        <Note kind="hazard">{trial.outcome.fault.message}</Note>
      )}
      {reading && <MeterFace meter={meter} reading={reading} explained={!wrong} corrected={wrong ? null : corrected} />}
      {rangeOptions && (
        <div className="-mb-2 flex items-center justify-between">
          {instrument && <Handled meter={meter} instrument={instrument} trial={trial} />}
          {!wrong && (
            <button
              type="button"
              aria-pressed={several}
              className="min-h-8 rounded-md px-2 text-[14px] underline hover:bg-sunk"
              onClick={() => setSeveral(!several)}
            >
              {several ? 'this instrument only' : 'every instrument of the kit'}
            </button>
          )}
        </div>
      )}
      {rangeOptions && !wrong && (
        <RangesAndCorrection
          setup={setup}
          meter={meter}
          rangeOptions={rangeOptions}
          listed={listed ?? rangeOptions}
          several={several}
          indicated={reading?.indicated ?? null}
          fitting={fitting}
          place={place}
        />
      )}
    </section>
  );
}

interface RangesProps {
  readonly setup: Setup;
  readonly meter: Meter;
  readonly rangeOptions: RangeOptions;
  /** Those that the table shows: with the whole kit in it, it comes a little later. */
  readonly listed: RangeOptions;
  readonly several: boolean;
  readonly indicated: number | null;
  readonly fitting: readonly Instrument[];
  readonly place: (meter: Meter) => void;
}

/** Every range that could be set, and the true value worked back from the one that is. */
function RangesAndCorrection({ setup, meter, rangeOptions, listed, several, indicated, fitting, place }: RangesProps) {
  const instrument = fitting.find((candidate) => candidate.id === meter.instrument);
  const range = instrument && findRange(instrument, meter.quantity, meter.range);
  const take = (option: RangeOption): void => {
    const { instrument: other, range: next } = option;
    if (other.id === meter.instrument) return place({ ...meter, range: next.id });
    benchNow().edit((current) =>
      putMeter(keepInstrument(current, other), setup, { ...meter, instrument: other.id, range: next.id }),
    );
  };
  return (
    <>
      <RangeOptionsTable meter={meter} rangeOptions={listed} several={several} onTake={take} />
      {instrument && range && (
        <CorrectAndRequire
          key={meter.instrument}
          meter={meter}
          instrument={instrument}
          range={range}
          rangeOptions={rangeOptions}
          indicated={indicated}
          kit={fitting}
        />
      )}
    </>
  );
}

function Across({ meter, place }: { readonly meter: VoltmeterPlacement; readonly place: (meter: Meter) => void }) {
  const network = useBench((state) => state.document.network);
  const options = useNodeOptions(network);
  const same = samePoint(network, meter.red, meter.black);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Choice
        label="Red lead (+) on"
        showLabel
        className="w-32"
        value={meter.red}
        options={options}
        onChange={(red) => place({ ...meter, red })}
      />
      <Choice
        label="Black lead (−) on"
        showLabel
        className="w-32"
        value={meter.black}
        options={options}
        onChange={(black) => place({ ...meter, black })}
      />
      <Button onClick={() => place(swapLeads(meter))}>
        <ArrowLeftRight aria-hidden size={16} /> Swap
      </Button>
      {same && <p className="basis-full text-[14px] text-ochre">{same}</p>}
    </div>
  );
}

interface InSeriesProps {
  readonly setup: Setup;
  readonly meter: AmmeterPlacement;
  readonly place: (meter: Meter) => void;
}

function InSeries({ setup, meter, place }: InSeriesProps) {
  const network = useBench((state) => state.document.network);
  const options = useNodeOptions(network);
  const taken = new Set(
    setup.meters.flatMap((other) => (other.quantity === 'dc-current' && other.id !== meter.id ? other.ends : [])),
  );
  const free = (node: string): string | undefined => endsAt(network, node).find((end) => !taken.has(end));
  const move = (node: string): void => {
    const end = free(node);
    if (end !== undefined) place({ ...meter, node, ends: [end] });
  };
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-1.5">
      <Choice label="Break at" showLabel className="w-24" value={meter.node} options={options} onChange={move} />
      <fieldset className="flex min-h-9 flex-wrap items-center gap-x-3">
        <legend className="text-[13px] text-soft">Ends lifted off it</legend>
        {endsAt(network, meter.node)
          .filter((end) => !taken.has(end))
          .map((end) => (
            <label key={end} className="inline-flex min-h-9 items-center gap-1.5">
              <input
                type="checkbox"
                className="size-4.5 accent-(--ochre-line)"
                checked={meter.ends.includes(end)}
                onChange={() => place(toggleEnd(meter, meter.node, end))}
              />
              {end.replace(/\.(from|to)$/, '')}
            </label>
          ))}
      </fieldset>
      <Button onClick={() => place(swapLeads(meter))} aria-pressed={meter.reversed ?? false}>
        <ArrowLeftRight aria-hidden size={16} /> Swap leads
      </Button>
    </div>
  );
}
