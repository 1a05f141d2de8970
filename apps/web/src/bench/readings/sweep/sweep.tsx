import { fail, ok, type Result } from '@usual-drag/core/result';
import { formatMeasured, formatPercent, formatQuantity, parseQuantity, ohms } from '@usual-drag/core/quantity';
import { deviationFrom, type Resistor } from '@usual-drag/core/network';
import { rangesOf, type Instrument, type MeterQuantity } from '@usual-drag/core/instrument';
import type { SweptResistance } from '@usual-drag/core/uncertainty';
import {
  bestSweepMeter,
  shownPattern,
  sweepResult,
  type ExpectedPoint,
  type Observation,
  type Sweep as JobSweep,
  type SweepMeter,
  type SweepPoint,
} from '@usual-drag/core/readings';
import { nextSweepId, putSweep, removeSweep, takeMeasuredValue, withPoint } from '@usual-drag/core/job';
import { useMemo, useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { Choice } from '../../../ui/choice.tsx';
import { Segments } from '../../../ui/segments.tsx';
import { ValueField } from '../../../ui/value-field.tsx';
import { useBench } from '../../model/bench-store.ts';
import { sayUndoable } from '../../model/say-undoable.ts';
import type { BenchView } from '../../model/use-bench-view.ts';
import { readDisplay } from '../entry/read-display.ts';
import { usualPrefix } from '../plan/step-words.ts';

/** A supply set to several values in turn, voltage and current read at each, and the resistance that follows. */
export function Sweep({ view }: { readonly view: BenchView }) {
  const { job, instruments, network } = view;
  const edit = useBench((state) => state.edit);
  const [chosen, setChosen] = useState<string | null>(null);
  const sweeps = job.sweeps ?? [];
  const blank = useMemo(() => newSweep(view), [view]);
  const sweep = sweeps.find(({ id }) => id === chosen) ?? (chosen === null ? sweeps.at(-1) : undefined) ?? blank;
  const { expected, resistance } = useMemo(
    () => (sweep ? sweepResult(network, instruments, sweep) : { expected: [], resistance: null }),
    [network, instruments, sweep],
  );
  if (!sweep)
    return (
      <p className="text-soft">
        A sweep needs a source, a resistor, and instruments with a voltage and a current range in the job.
      </p>
    );
  const isStored = sweeps.includes(sweep);
  const put = (change: Partial<JobSweep>): void => {
    edit((now) => putSweep(now, { ...sweep, ...change }));
    setChosen(sweep.id);
  };
  const resistors = network.elements.filter((one): one is Resistor => one.kind === 'resistor');
  const part = resistors.find(({ id }) => id === sweep.element);
  return (
    <div className="flex flex-col gap-2 text-[15px]">
      {sweeps.length > 0 && (
        <div className="flex items-center gap-1.5">
          <Segments
            label="Sweep"
            value={isStored ? sweep.id : ''}
            options={sweeps.map(({ id, element }) => ({ value: id, text: `${id}, ${element}` }))}
            onChange={setChosen}
          />
          <Button onClick={() => setChosen('')}>New sweep</Button>
        </div>
      )}
      <Choice
        label="Part"
        beside="Part"
        value={sweep.element}
        options={resistors.map(({ id }) => ({ value: id, text: id }))}
        onChange={(element) => put({ element })}
      />
      <Segments
        label="Voltmeter"
        value={sweep.connection}
        options={[
          { value: 'across-part', text: 'across the part alone' },
          { value: 'across-both', text: 'across part and ammeter' },
        ]}
        onChange={(connection) => put({ connection })}
      />
      <MeterChoice
        label="Voltmeter and range"
        quantity="dc-voltage"
        instruments={instruments}
        meter={sweep.voltmeter}
        onChange={(voltmeter) => put({ voltmeter })}
      />
      <MeterChoice
        label="Ammeter and range"
        quantity="dc-current"
        instruments={instruments}
        meter={sweep.ammeter}
        onChange={(ammeter) => put({ ammeter })}
      />
      <SweepTable
        sweep={sweep}
        instruments={instruments}
        expected={expected}
        onChange={(index, change) => put(withPoint(sweep, index, change))}
      />
      <div className="flex gap-1.5">
        <Button onClick={() => put({ points: [...sweep.points, { set: sweep.points.at(-1)?.set ?? 0 }] })}>
          Add setting
        </Button>
        {isStored && (
          <Button
            onClick={() => {
              edit((now) => removeSweep(now, sweep.id));
              setChosen(null);
              sayUndoable(`Sweep ${sweep.id} is removed.`);
            }}
          >
            Remove sweep
          </Button>
        )}
      </div>
      {resistance && part ? (
        <Swept swept={resistance} part={part} />
      ) : (
        <p className="text-soft">Two settings with voltage and current give a line. More show the scatter.</p>
      )}
    </div>
  );
}

/** Shares of the source's value that a new sweep is set to. */
const shares = [0.25, 0.5, 0.75, 1];

/** A sweep that is not part of the job yet; null if the job has nothing to sweep with. */
function newSweep({ job, instruments, truth }: BenchView): JobSweep | null {
  const { elements } = job.network;
  const part = elements.find(({ kind }) => kind === 'resistor');
  const source = elements.find((one) => one.kind === 'source');
  const of = part && truth?.elements[part.id];
  const voltmeter = bestSweepMeter(instruments, 'dc-voltage', of?.voltage ?? 0);
  const ammeter = bestSweepMeter(instruments, 'dc-current', of?.current ?? 0);
  if (!part || !source || !voltmeter || !ammeter) return null;
  const whole = source.ceiling ?? source.emf * (source.cellsInSeries ?? 1);
  return {
    id: nextSweepId(job),
    element: part.id,
    source: source.id,
    connection: 'across-part',
    voltmeter,
    ammeter,
    points: shares.map((share) => ({ set: share * whole })),
  };
}

interface MeterChoiceProps {
  readonly label: string;
  readonly quantity: MeterQuantity;
  readonly instruments: readonly Instrument[];
  readonly meter: SweepMeter;
  readonly onChange: (meter: SweepMeter) => void;
}

function MeterChoice({ label, quantity, instruments, meter, onChange }: MeterChoiceProps) {
  const options = instruments.flatMap(({ id, name, ...rest }) =>
    rangesOf({ id, ...rest }, quantity).map((range) => ({
      key: `${id} ${range.id}`,
      text: `${name ?? id}, ${range.id}`,
      meter: { instrument: id, range: range.id },
    })),
  );
  return (
    <Choice
      label={label}
      value={`${meter.instrument} ${meter.range}`}
      options={options.map(({ key, text }) => ({ value: key, text }))}
      onChange={(key) => onChange(options.find((one) => one.key === key)!.meter)}
      missing="Choose a range"
    />
  );
}

interface SweepTableProps {
  readonly sweep: JobSweep;
  readonly instruments: readonly Instrument[];
  readonly expected: readonly (ExpectedPoint | null)[];
  readonly onChange: (index: number, change: (point: SweepPoint) => SweepPoint) => void;
}

function SweepTable({ sweep, instruments, expected, onChange }: SweepTableProps) {
  const prefixOf = (quantity: MeterQuantity, { instrument, range }: SweepMeter): string =>
    usualPrefix(
      instruments.find(({ id }) => id === instrument),
      quantity,
      range,
    );
  return (
    <table className="w-full border-collapse" aria-label="Readings of the sweep">
      <thead className="text-left text-[13px] text-soft">
        <tr>
          <th className="font-medium">{sweep.source} set to</th>
          <th className="font-medium">Voltage</th>
          <th className="font-medium">Current</th>
        </tr>
      </thead>
      <tbody>
        {sweep.points.map((point, index) => (
          <tr key={index}>
            <td className="pr-2 pb-1">
              <ValueField
                label={`Setting ${index + 1}`}
                shown={formatQuantity(point.set, 'V', { digits: 6, trim: true })}
                read={(text) => parseQuantity(text, 'V')}
                onCommit={(set) => onChange(index, (now) => ({ ...now, set }))}
              />
            </td>
            {(['voltage', 'current'] as const).map((key) => {
              const [unit, quantity, meter] =
                key === 'voltage'
                  ? (['V', 'dc-voltage', sweep.voltmeter] as const)
                  : (['A', 'dc-current', sweep.ammeter] as const);
              return (
                <td key={key} className="pr-2 pb-1">
                  <DisplayField
                    label={`${key === 'voltage' ? 'Voltage' : 'Current'} at setting ${index + 1}`}
                    unit={unit}
                    prefix={prefixOf(quantity, meter)}
                    observation={point[key]}
                    expected={expected[index]?.[key] ?? null}
                    onCommit={(observation) =>
                      onChange(index, ({ [key]: _before, ...rest }) => ({
                        ...(rest as SweepPoint),
                        ...(observation && { [key]: observation }),
                      }))
                    }
                  />
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface DisplayFieldProps {
  readonly label: string;
  readonly unit: 'V' | 'A';
  /** Prefix of the range's display: that of a number without one. */
  readonly prefix: string;
  readonly observation: Observation | undefined;
  readonly expected: number | null;
  readonly onCommit: (observation: Observation | null) => void;
}

function DisplayField({ label, unit, prefix, observation, expected, onCommit }: DisplayFieldProps) {
  const read = (text: string): Result<Observation | null, { readonly message: string }> => {
    if (text.trim() === '') return ok(null);
    const typed = readDisplay(text, unit);
    const shown = typed.shown.replace('−', '-');
    if (typed.otherUnit !== null) return fail({ message: `Type a display in ${unit}.` });
    if (!shownPattern.test(shown)) return fail({ message: 'Type the digits of the display, or OL.' });
    return ok({ shown, unit: (typed.prefix ?? prefix) + unit, at: new Date().toISOString() });
  };
  return (
    <ValueField
      label={label}
      shown={observation ? `${observation.shown}\u00a0${observation.unit}` : ''}
      read={read}
      placeholder={expected === null ? 'display' : `≈ ${formatQuantity(expected, unit, { digits: 4 })}`}
      onCommit={onCommit}
    />
  );
}

/** The part's resistance from the sweep, compared with its nominal and its measured value. */
function Swept({ swept, part }: { readonly swept: SweptResistance; readonly part: Resistor }) {
  const edit = useBench((state) => state.edit);
  const { resistance, uncertainty, line } = swept;
  return (
    <div className="rounded-xl border border-line bg-sheet px-3 py-2" role="status">
      <p>
        {part.id} = <b className="figures text-[20px]">{formatMeasured(resistance, uncertainty, 'Ω')}</b> (k = 2), from
        the slope
      </p>
      <p className="text-soft">
        {formatPercent(deviationFrom(part, resistance).ratio, { digits: 3, signed: true })} from nominal{' '}
        {ohms(part.resistance, 5)}
        {part.measuredResistance !== undefined && <>; measured {ohms(part.measuredResistance, 5)}</>}. Both meters’
        effects are taken out; the line meets 0 A at {formatQuantity(line.intercept, 'V', { digits: 2, signed: true })}.
      </p>
      <Button
        className="mt-1"
        onClick={() => {
          edit((now) => takeMeasuredValue(now, part.id, resistance));
          sayUndoable(`${part.id} has the measured value ${ohms(resistance, 5)}.`);
        }}
      >
        Use as measured value
      </Button>
    </div>
  );
}
