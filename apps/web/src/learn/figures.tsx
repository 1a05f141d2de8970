import { formatMeasured, formatPercent, formatQuantity, ohms } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import {
  bestRangeOptions,
  correctMeterReading,
  explainCorrection,
  explainReading,
  rangeTable,
  togetherAndApart,
} from '@usual-drag/core/loading';
import { toleranceModel, worstCase } from '@usual-drag/core/uncertainty';
import type { ComponentType } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';
import { ResistanceSlider } from './resistance-slider.tsx';
import { Multiplier, Shunt } from './meter-design.tsx';
import type { MeterCase, Subject } from './subject.ts';
import type { Topic } from './topics.ts';

/** The live figures of each topic. */
export const figures: Readonly<Record<Topic, ComponentType<{ readonly subject: Subject }>>> = {
  loading: ({ subject }) => <Error of={subject.voltmeter} />,
  insertion: ({ subject }) => <Error of={subject.ammeter} />,
  'source-resistance': SourceResistances,
  range: ({ subject }) => <Ranges of={subject.voltmeter} />,
  correction: Correction,
  together: Together,
  tolerance: Tolerance,
  shunts: Shunt,
  multipliers: Multiplier,
};

/** A meter's reading with its formula, and what another meter resistance would make of it. */
function Error({ of }: { readonly of: MeterCase }) {
  const { meter, reading, instrument, range, point } = of;
  const unit = unitOf(meter.quantity);
  const { formula, result } = explainReading(meter, reading, !point.indicatedBy);
  return (
    <>
      <p>
        {instrument.name ?? instrument.id}, {range.id}: indicated{' '}
        <b className="figures text-ochre">{formatQuantity(reading.indicated, unit)}</b>, true{' '}
        <b className="figures">{formatQuantity(reading.true, unit)}</b>, error{' '}
        <b className="figures text-ochre">{formatPercent(reading.relativeError, { signed: true })}</b>.
      </p>
      {formula && (
        <p className="figures rounded-lg bg-sunk px-3 py-2">
          {formula} = <b className="text-ochre">{result}</b>
        </p>
      )}
      <ResistanceSlider
        key={`${meter.id} ${range.resistance}`}
        quantity={meter.quantity}
        point={point}
        sourceResistance={point.sourceResistance!}
        meterResistance={range.resistance}
      />
    </>
  );
}

function SourceResistances({ subject }: { readonly subject: Subject }) {
  return (
    <FiguresTable
      label="Source resistance at the meters"
      head={['Meter', 'Source resistance', 'Meter resistance', 'Error']}
      rows={[subject.voltmeter, subject.ammeter].map(({ setup, meter, reading }) => ({
        key: `${setup.id} ${meter.id}`,
        cells: [
          `${meter.id} of ${setup.id}`,
          ohms(reading.sourceResistance),
          ohms(reading.meterResistance),
          formatPercent(reading.relativeError, { signed: true }),
        ],
      }))}
    />
  );
}

function Ranges({ of: { setup, meter, instrument, point } }: { readonly of: MeterCase }) {
  const unit = unitOf(meter.quantity);
  const options = rangeTable(point, meter.quantity, [instrument]);
  const best = bestRangeOptions(options);
  const limit = (value: number | null): string => `±${formatQuantity(value, unit, { digits: 3 })}`;
  return (
    <FiguresTable
      label={`Ranges for ${meter.id} of ${setup.id}`}
      head={['Range', 'Indicated', 'Loading', '± uncorrected', '± corrected']}
      rows={options.map((option) => ({
        key: option.range.id,
        cells: [
          option.range.id,
          option.state === 'ok' ? formatQuantity(option.indicated, unit) : 'cannot be read',
          formatPercent(option.relativeLoading, { signed: true, digits: 3 }),
          `${option === best.uncorrected ? '★ ' : ''}${limit(option.uncorrected)}`,
          `${option === best.corrected ? '★ ' : ''}${limit(option.corrected)}`,
        ],
      }))}
    />
  );
}

function Correction({ subject: { voltmeter, ammeter } }: { readonly subject: Subject }) {
  return [voltmeter, ammeter].map(({ setup, meter, instrument, reading, range, point }) => {
    const unit = unitOf(meter.quantity);
    const others = setup.meters.filter(({ id }) => id !== meter.id).map(({ id }) => id);
    const corrected = correctMeterReading(instrument, range, reading, point.correctionOn);
    return (
      <p key={`${setup.id} ${meter.id}`} className="figures rounded-lg bg-sunk px-3 py-2">
        {meter.id}: {explainCorrection(meter.quantity, reading.indicated ?? 0, point, range.resistance, others)} ={' '}
        <b>{corrected ? formatMeasured(corrected.value, corrected.uncertainty, unit) : 'cannot be corrected'}</b>, true{' '}
        {formatQuantity(reading.true, unit)}
      </p>
    );
  });
}

/** The voltmeter and the ammeter of the job in one set-up, or the set-up that has several already. */
function Together({ subject: { job, unloaded, voltmeter, ammeter } }: { readonly subject: Subject }) {
  const several = job.setups?.find(({ meters }) => meters.length > 1);
  const setup = several ?? { id: 'both', meters: [voltmeter.meter, ammeter.meter] };
  const compared = togetherAndApart(unloaded, job.instruments ?? [], setup);
  if (!compared.ok) return <p>These meters cannot be connected at the same time.</p>;
  const percent = (value: number | null): string => formatPercent(value, { signed: true, digits: 3 });
  return (
    <FiguresTable
      label="Together or apart"
      head={['Meter', 'Error together', 'Error alone']}
      rows={compared.value.map(({ meter, together, alone }) => ({
        key: meter,
        cells: [meter, percent(together.relativeError), percent(alone.relativeError)],
      }))}
    />
  );
}

function Tolerance({ subject: { job, voltmeter } }: { readonly subject: Subject }) {
  const { setup, meter, reading } = voltmeter;
  const model = toleranceModel({
    network: job.network,
    instruments: job.instruments ?? [],
    setup,
    output: { meter: meter.id },
  });
  if (!model || model.parts.length === 0) return <p>No part of this job has a tolerance.</p>;
  const { minimum, maximum } = worstCase(model);
  const unit = unitOf(meter.quantity);
  return (
    <FiguresTable
      label={`Limits of ${meter.id}`}
      head={['', 'Value', 'From true']}
      rows={[
        ['true', reading.true],
        ['indicated, nominal parts', reading.indicated],
        ['indicated, minimum', minimum],
        ['indicated, maximum', maximum],
      ].map(([name, value]) => ({
        key: name as string,
        cells: [
          name,
          formatQuantity(value as number | null, unit),
          reading.true ? formatPercent(((value as number) - reading.true) / reading.true, { signed: true }) : '–',
        ],
      }))}
    />
  );
}
