import {
  calibrationOf,
  fail,
  isDay,
  kitLimits,
  nextRange,
  nextResistanceRange,
  ok,
  withRange,
  type KitInstrument,
  type MeterQuantity,
  type Range,
  type ResistanceRange,
} from '@usual-drag/core';
import { Archive, ArchiveRestore, Copy, History } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../ui/button.tsx';
import { asCount, inPercent, inUnit, numberField } from '../ui/number-field.ts';
import { Segments } from '../ui/segments.tsx';
import { ValueField } from '../ui/value-field.tsx';
import { currentColumns, resistanceColumns, voltageColumns } from './range-columns.ts';
import { RangeTable } from './range-table.tsx';

interface Props {
  readonly kept: KitInstrument;
  /** How saving stands. */
  readonly words: string;
  readonly onChange: (kept: KitInstrument) => void;
  readonly onCopy: () => void;
  readonly onArchive: () => void;
  /** What else can be done with it as a whole. */
  readonly children?: ReactNode;
}

/** Everything about one instrument. Jobs that use it keep it as it was when they took it. */
export function InstrumentEditor(props: Props) {
  const { kept, onChange } = props;
  return (
    <div className="flex max-w-4xl flex-col gap-5">
      <Heading {...props} />
      <Calibration kept={kept} onChange={onChange} />
      <LeadsAndRanging kept={kept} onChange={onChange} />
      <Ranges kept={kept} onChange={onChange} />
      <Notes
        key={kept.notes ?? ''}
        notes={kept.notes ?? ''}
        onChange={(notes) => {
          const { notes: _old, ...rest } = kept;
          onChange(notes === '' ? rest : { ...rest, notes });
        }}
      />
    </div>
  );
}

type EditProps = Pick<Props, 'kept' | 'onChange'>;

/** Name and display, what can be done with the whole instrument, and how saving stands. */
function Heading({ kept, words, onChange, onCopy, onArchive, children }: Props) {
  const display = kept.display ?? 'digital';
  return (
    <div className="flex flex-wrap items-end gap-3">
      <ValueField
        label="Name of the instrument"
        showLabel
        className="min-w-72 grow [&_input]:font-sans [&_input]:text-[18px] [&_input]:font-bold"
        shown={kept.name ?? kept.id}
        read={(typed) => ok(typed.trim() || kept.id)}
        onCommit={(name) => onChange({ ...kept, name })}
      />
      <Segments
        label="Display"
        value={display}
        options={[
          { value: 'analogue', text: 'analogue' },
          { value: 'digital', text: 'digital' },
        ]}
        onChange={(next) => onChange({ ...kept, display: next })}
      />
      <Button onClick={onCopy}>
        <Copy aria-hidden size={16} /> Copy
      </Button>
      <Button onClick={onArchive}>
        {kept.retired ? <ArchiveRestore aria-hidden size={16} /> : <Archive aria-hidden size={16} />}
        {kept.retired ? 'Restore' : 'Archive'}
      </Button>
      <Link
        to={`/history/instruments/${encodeURIComponent(kept.id)}`}
        className="inline-flex min-h-9 items-center gap-1.5 rounded-lg px-3 hover:bg-sunk"
      >
        <History aria-hidden size={16} /> History
      </Link>
      {children}
      <p role="status" className="basis-full text-[13px] text-soft">
        {words || 'What you change is saved at once. A job keeps the instrument as it was when the job took it.'} Over
        range {display === 'digital' ? 'it shows OL.' : 'its needle goes against the stop; driven backwards, too.'}
      </p>
    </div>
  );
}

/** Which specimen it is, and when it was calibrated. */
function Calibration({ kept, onChange }: EditProps) {
  const calibration = calibrationOf(kept, new Date());
  const text = (key: 'assetTag' | 'calibratedOn', label: string, placeholder: string) => (
    <ValueField
      label={label}
      showLabel
      className="w-32"
      shown={kept[key] ?? ''}
      placeholder={placeholder}
      read={(typed) => {
        const day = typed.trim();
        if (key !== 'calibratedOn' || day === '' || isDay(day)) return ok(day);
        return fail({ message: 'A day such as 2026-11-25.' });
      }}
      onCommit={(typed) => {
        const { [key]: _old, ...rest } = kept;
        onChange(typed === '' ? rest : { ...rest, [key]: typed });
      }}
    />
  );
  return (
    <div className="flex flex-wrap items-start gap-3">
      {text('assetTag', 'Asset tag', 'SL-…')}
      {text('calibratedOn', 'Calibrated on', '2026-11-25')}
      <NumberIn
        kept={kept}
        field={numberField(kept, 'calibrationMonths', {
          label: 'Calibration interval, months',
          limit: kitLimits.calibrationMonths,
          ...asCount,
        })}
        className="w-48"
        onChange={onChange}
      />
      {calibration && (
        <p className="self-end pb-2 text-[14px]">
          {calibration.status === 'overdue' ? (
            <b className="text-ochre">overdue since {calibration.dueOn}: have it calibrated before it is relied on</b>
          ) : (
            `due on ${calibration.dueOn}, in ${calibration.daysLeft} days`
          )}
        </p>
      )}
    </div>
  );
}

/** What leads and contacts add, and when it changes its range by itself. */
function LeadsAndRanging({ kept, onChange }: EditProps) {
  return (
    <div className="flex flex-wrap items-start gap-3">
      <NumberIn
        kept={kept}
        field={numberField(kept, 'leadResistance', {
          label: 'Both leads',
          limit: kitLimits.leadResistance,
          ...inUnit('Ω'),
        })}
        className="w-28"
        onChange={onChange}
      />
      <NumberIn
        kept={kept}
        field={numberField(kept, 'contactResistance', {
          label: 'Both contacts',
          limit: kitLimits.contactResistance,
          ...inUnit('Ω'),
        })}
        className="w-28"
        onChange={onChange}
      />
      <p className="max-w-72 self-end pb-1 text-[13px] text-soft">
        Counted into every current range when a job takes the instrument, and into every resistance that it reads.
      </p>
      <label className="flex min-h-9 items-center gap-2 self-end">
        <input
          type="checkbox"
          className="size-4.5 accent-(--ochre-line)"
          checked={kept.autoRange !== undefined}
          onChange={(event) => {
            const { autoRange: _old, ...rest } = kept;
            onChange(event.target.checked ? { ...rest, autoRange: { up: 1, down: 0.09 } } : rest);
          }}
        />
        auto-ranging
      </label>
      {kept.autoRange &&
        (['up', 'down'] as const).map((key) => {
          const field = numberField(kept.autoRange!, key, {
            label: key === 'up' ? 'up above' : 'down below',
            limit: kitLimits[key],
            needed: true,
            ...inPercent,
          });
          return (
            <ValueField
              key={key}
              label={field.label}
              showLabel
              className="w-24"
              shown={field.shown}
              read={field.read}
              onCommit={(value) => onChange({ ...kept, autoRange: field.put(value) })}
            />
          );
        })}
    </div>
  );
}

/** Its ranges: volts, current and resistance. */
function Ranges({ kept, onChange }: EditProps) {
  const display = kept.display ?? 'digital';
  const ranges = (quantity: MeterQuantity): readonly Range[] =>
    (kept.functions ?? []).find((f) => f.quantity === quantity)?.ranges ?? [];
  const setRanges = (quantity: MeterQuantity, next: readonly Range[]): void =>
    onChange({
      ...kept,
      functions: (kept.functions ?? [])
        .map((f) => (f.quantity === quantity ? { ...f, ranges: next } : f))
        .filter((f) => f.ranges.length > 0),
    });
  const addRange = (quantity: MeterQuantity): void =>
    onChange({ ...kept, functions: withRange(kept.functions ?? [], quantity, nextRange(kept, quantity)) });
  const setOhms = (next: readonly ResistanceRange[]): void => {
    const { resistanceRanges: _old, ...rest } = kept;
    onChange(next.length === 0 ? rest : { ...rest, resistanceRanges: next });
  };
  const ohms = kept.resistanceRanges ?? [];
  return (
    <>
      <RangeTable
        title="DC volts"
        ranges={ranges('dc-voltage')}
        columns={voltageColumns(display)}
        onChange={(next) => setRanges('dc-voltage', next)}
        onAdd={() => addRange('dc-voltage')}
      />
      <RangeTable
        title="DC current"
        ranges={ranges('dc-current')}
        columns={currentColumns(display)}
        onChange={(next) => setRanges('dc-current', next)}
        onAdd={() => addRange('dc-current')}
      />
      <RangeTable
        title="Resistance"
        ranges={ohms}
        columns={resistanceColumns(display)}
        onChange={setOhms}
        onAdd={() => setOhms([...ohms, nextResistanceRange(kept)])}
      />
    </>
  );
}

interface NumberInProps extends EditProps {
  readonly field: ReturnType<typeof numberField<KitInstrument>>;
  readonly className: string;
}

const NumberIn = ({ field, className, onChange }: NumberInProps) => (
  <ValueField
    label={field.label}
    showLabel
    className={className}
    shown={field.shown}
    placeholder="–"
    read={field.read}
    onCommit={(value) => onChange(field.put(value))}
  />
);

function Notes({ notes, onChange }: { readonly notes: string; readonly onChange: (notes: string) => void }) {
  return (
    <label className="flex flex-col text-[13px] text-soft">
      Own notes
      <textarea
        rows={3}
        defaultValue={notes}
        className="rounded-md border border-line bg-sheet px-2 py-1.5 text-[15px] text-ink"
        onBlur={(event) => event.target.value !== notes && onChange(event.target.value)}
      />
    </label>
  );
}
