import {
  endsAt,
  formatPercent,
  formatQuantity,
  ok,
  parseQuantity,
  rangesOf,
  resistanceFromSweep,
  setupFaults,
  networkMeant,
  solveSetup,
  solveUnloaded,
  takeMeasuredValue,
  type Instrument,
  type MeterQuantity,
  type Network,
  type QuantityFault,
  type Resistor,
  type Result,
  type Setup,
  type SweepReading,
  type SweptResistance,
} from '@usual-drag/core';
import { useMemo } from 'react';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { Segments } from '../../ui/segments.tsx';
import { ValueField } from '../../ui/value-field.tsx';
import { useBench } from '../model/bench-store.ts';
import { sayUndoable } from '../model/say-undoable.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { uncertaintyAt } from './uncertainty-at.ts';

interface SweepRow {
  readonly set: number;
  readonly voltage: number | null;
  readonly current: number | null;
}

interface SweepOfJob {
  readonly part: string | null;
  readonly connection: 'across-part' | 'across-both';
  readonly voltmeter: string | null;
  readonly ammeter: string | null;
  readonly rows: readonly SweepRow[] | null;
}

const nothing: SweepOfJob = { part: null, connection: 'across-part', voltmeter: null, ammeter: null, rows: null };

/** Sweeps by job. The job's file has no place for readings at another setting of the supply: they are kept in this browser. */
const useSweeps = create<{ readonly jobs: Readonly<Record<string, SweepOfJob>> }>()(
  persist(() => ({ jobs: {} }), { name: 'usual-drag-sweeps', storage: createJSONStorage(() => localStorage) }),
);

/** A supply set to several values in turn, voltage and current read at each, and the resistance that follows. */
export function Sweep({ view }: { readonly view: BenchView }) {
  const { job, instruments, jobId } = view;
  const kept = useSweeps((state) => state.jobs[jobId]) ?? nothing;
  const put = (next: Partial<SweepOfJob>): void => {
    useSweeps.setState(({ jobs }) => ({ jobs: { ...jobs, [jobId]: { ...(jobs[jobId] ?? nothing), ...next } } }));
  };
  const { elements } = job.network;
  const resistors = elements.filter((one): one is Resistor => one.kind === 'resistor');
  const source = elements.find((one) => one.kind === 'source');
  const part = resistors.find(({ id }) => id === kept.part) ?? resistors[0];
  const volts = useMemo(() => optionsOf(instruments, 'dc-voltage'), [instruments]);
  const amps = useMemo(() => optionsOf(instruments, 'dc-current'), [instruments]);
  const truth = part && view.truth?.elements[part.id];
  const voltmeter = volts.find(({ key }) => key === kept.voltmeter) ?? closest(volts, truth?.voltage ?? 0);
  const ammeter = amps.find(({ key }) => key === kept.ammeter) ?? closest(amps, truth?.current ?? 0);
  if (!part || !source || !voltmeter || !ammeter)
    return (
      <p className="text-soft">
        A sweep needs a source, a resistor, and instruments with a voltage and a current range in the job.
      </p>
    );
  const whole = source.ceiling ?? source.emf * (source.cellsInSeries ?? 1);
  const rows = kept.rows ?? [0.25, 0.5, 0.75, 1].map((share) => ({ set: share * whole, voltage: null, current: null }));
  const change = (index: number, next: Partial<SweepRow>): void =>
    put({ rows: rows.map((row, at) => (at === index ? { ...row, ...next } : row)) });
  const readings = rows.flatMap(({ voltage, current }): SweepReading[] =>
    voltage === null || current === null
      ? []
      : [
          {
            voltage,
            current,
            voltageUncertainty: standard(voltmeter, voltage),
            currentUncertainty: standard(ammeter, current),
          },
        ],
  );
  const swept = resistanceFromSweep(readings, {
    connection: kept.connection,
    voltmeter: voltmeter.range.resistance,
    ammeter: ammeter.range.resistance,
  });
  return (
    <div className="flex flex-col gap-2 text-[15px]">
      <Choice
        label="Part"
        beside="Part"
        value={part.id}
        options={resistors.map(({ id }) => ({ value: id, text: id }))}
        onChange={(id) => put({ part: id })}
      />
      <Segments
        label="Voltmeter"
        value={kept.connection}
        options={[
          { value: 'across-part', text: 'across the part alone' },
          { value: 'across-both', text: 'across part and ammeter' },
        ]}
        onChange={(connection) => put({ connection })}
      />
      <Choice
        label="Voltmeter and range"
        value={voltmeter.key}
        options={volts.map(({ key, text }) => ({ value: key, text }))}
        onChange={(key) => put({ voltmeter: key })}
      />
      <Choice
        label="Ammeter and range"
        value={ammeter.key}
        options={amps.map(({ key, text }) => ({ value: key, text }))}
        onChange={(key) => put({ ammeter: key })}
      />
      <SweepTable
        rows={rows}
        source={source.id}
        expected={(set) => expectedAt(networkMeant(job), source.id, set, part, kept.connection, voltmeter, ammeter)}
        onChange={change}
      />
      <div className="flex gap-1.5">
        <Button onClick={() => put({ rows: [...rows, { set: whole, voltage: null, current: null }] })}>
          Add setting
        </Button>
        <Button onClick={() => put({ rows: null })}>Clear the sweep</Button>
      </div>
      {swept ? (
        <Swept swept={swept} part={part} />
      ) : (
        <p className="text-soft">Two settings with voltage and current make a line; more show the scatter.</p>
      )}
    </div>
  );
}

interface SweepTableProps {
  readonly rows: readonly SweepRow[];
  readonly source: string;
  readonly expected: (set: number) => { readonly voltage: number | null; readonly current: number | null } | null;
  readonly onChange: (index: number, next: Partial<SweepRow>) => void;
}

function SweepTable({ rows, source, expected, onChange }: SweepTableProps) {
  return (
    <table className="w-full border-collapse" aria-label="Readings of the sweep">
      <thead className="text-left text-[13px] text-soft">
        <tr>
          <th className="font-medium">{source} set to</th>
          <th className="font-medium">voltage read</th>
          <th className="font-medium">current read</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row, index) => {
          const told = expected(row.set);
          return (
            <tr key={index}>
              <td className="pr-2 pb-1">
                <Quantity
                  label={`Setting ${index + 1}`}
                  unit="V"
                  value={row.set}
                  onCommit={(set) => set !== null && onChange(index, { set })}
                />
              </td>
              <td className="pr-2 pb-1">
                <Quantity
                  label={`Voltage at setting ${index + 1}`}
                  unit="V"
                  value={row.voltage}
                  expected={told?.voltage ?? null}
                  onCommit={(voltage) => onChange(index, { voltage })}
                />
              </td>
              <td className="pb-1">
                <Quantity
                  label={`Current at setting ${index + 1}`}
                  unit="A"
                  value={row.current}
                  expected={told?.current ?? null}
                  onCommit={(current) => onChange(index, { current })}
                />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const ohms = (value: number): string => formatQuantity(value, 'Ω', { digits: 5, trim: true });

/** What follows from the sweep, against nominal and measured. */
function Swept({ swept, part }: { readonly swept: SweptResistance; readonly part: Resistor }) {
  const edit = useBench((state) => state.edit);
  return (
    <div className="rounded-xl border border-line bg-sheet px-3 py-2" role="status">
      <p>
        {part.id} = <b className="figures text-[22px]">{ohms(swept.resistance)}</b> ±{' '}
        <span className="figures">{formatQuantity(swept.uncertainty, 'Ω', { digits: 2 })}</span> (k = 2), from the slope
      </p>
      <p className="text-soft">
        {formatPercent(swept.resistance / part.resistance - 1, { digits: 3, signed: true })} from nominal{' '}
        {ohms(part.resistance)}
        {part.measuredResistance !== undefined && (
          <>
            ; {formatPercent(swept.resistance / part.measuredResistance - 1, { digits: 3, signed: true })} from measured{' '}
            {ohms(part.measuredResistance)}
          </>
        )}
        . Both meters’ effects are taken out; the line meets 0 A at{' '}
        {formatQuantity(swept.line.intercept, 'V', { digits: 2, signed: true })}.
      </p>
      <Button
        className="mt-1"
        onClick={() => {
          edit((now) => takeMeasuredValue(now, part.id, swept.resistance));
          sayUndoable(`${part.id} has the measured value ${ohms(swept.resistance)}.`);
        }}
      >
        Take as measured value
      </Button>
    </div>
  );
}

interface MeterOption {
  readonly key: string;
  readonly text: string;
  readonly instrument: Instrument;
  readonly range: ReturnType<typeof rangesOf<MeterQuantity>>[number];
}

const optionsOf = (instruments: readonly Instrument[], quantity: MeterQuantity): MeterOption[] =>
  instruments.flatMap((instrument) =>
    rangesOf(instrument, quantity).map((range) => ({
      key: `${instrument.id} ${range.id}`,
      text: `${instrument.name ?? instrument.id}, ${range.id}`,
      instrument,
      range,
    })),
  );

/** The option that reads a value best. */
const closest = (options: readonly MeterOption[], value: number): MeterOption | undefined =>
  options
    .filter(({ range }) => range.fullScale >= Math.abs(value) && (range.fuse ?? Infinity) > Math.abs(value))
    .reduce<MeterOption | undefined>(
      (best, one) => (best && standard(best, value) <= standard(one, value) ? best : one),
      undefined,
    );

/** Standard uncertainty of a reading. */
const standard = ({ instrument, range }: MeterOption, value: number): number =>
  uncertaintyAt(instrument, range, value) / 2;

/** What both meters indicate at a setting. */
function expectedAt(
  network: Network,
  source: string,
  set: number,
  part: Resistor,
  connection: SweepOfJob['connection'],
  voltmeter: MeterOption,
  ammeter: MeterOption,
): { readonly voltage: number | null; readonly current: number | null } | null {
  const elements = network.elements.map((one) =>
    one.id === source && one.kind === 'source' ? { ...one, emf: set / (one.cellsInSeries ?? 1) } : one,
  );
  const own = `${part.id}.from`;
  const others = endsAt(network, part.from).filter((end) => end !== own);
  const ends = connection === 'across-both' ? [own] : others;
  const setup: Setup = {
    id: 'sweep',
    meters: [
      {
        id: 'V',
        quantity: 'dc-voltage',
        instrument: voltmeter.instrument.id,
        range: voltmeter.range.id,
        red: part.from,
        black: part.to,
      },
      {
        id: 'A',
        quantity: 'dc-current',
        instrument: ammeter.instrument.id,
        range: ammeter.range.id,
        node: part.from,
        ends,
        reversed: connection === 'across-part',
      },
    ],
  };
  const instruments = [voltmeter.instrument, ammeter.instrument];
  const unloaded = solveUnloaded({ ...network, elements });
  if (!unloaded.ok || setupFaults(network, instruments, setup).length > 0) return null;
  const solved = solveSetup(unloaded.value, instruments, setup);
  if (!solved.ok) return null;
  const { V, A } = solved.value.meters;
  return { voltage: V!.indicated, current: A!.indicated };
}

interface QuantityProps {
  readonly label: string;
  readonly unit: 'V' | 'A';
  readonly value: number | null;
  readonly expected?: number | null;
  readonly onCommit: (value: number | null) => void;
}

function Quantity({ label, unit, value, expected = null, onCommit }: QuantityProps) {
  return (
    <ValueField
      label={label}
      shown={value === null ? '' : formatQuantity(value, unit, { digits: 6, trim: true })}
      read={(text): Result<number | null, QuantityFault> => (text.trim() === '' ? ok(null) : parseQuantity(text, unit))}
      placeholder={expected === null ? 'reading' : `≈ ${formatQuantity(expected, unit, { digits: 4 })}`}
      onCommit={onCommit}
    />
  );
}
