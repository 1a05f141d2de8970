import { KitInstrumentDto } from '@usual-drag/contract/forms';
import {
  calibrationOn,
  dayOf,
  instrumentForJob,
  kitLimits,
  nextRange,
  nextResistanceRange,
  rangesOf,
  type KitInstrument,
  type MeterQuantity,
  type Range,
  type ResistanceRange,
} from '@usual-drag/core/instrument';
import { meterPicture } from '@usual-drag/core/drawing';
import { withRange } from '@usual-drag/core/job';
import { Archive, ArchiveRestore, BadgeCheck, Copy, History } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import { MeterView } from '../drawing/meter-view.tsx';
import { Button } from '../ui/button.tsx';
import { DocumentForm } from '../ui/form/document-form.tsx';
import { NumberInput } from '../ui/form/number-input.tsx';
import { TextInput } from '../ui/form/text-input.tsx';
import { asCount, inPercent, inUnit } from '../ui/number-field.ts';
import { Segments } from '../ui/segments.tsx';
import { dueWords } from './due-words.ts';
import { currentColumns, resistanceColumns, voltageColumns } from './range-columns.ts';
import { RangeTable } from './range-table.tsx';

interface Props {
  readonly kept: KitInstrument;
  /** State of saving. */
  readonly words: string;
  readonly onChange: (kept: KitInstrument) => void;
  readonly onCopy: () => void;
  readonly onArchive: () => void;
  /** Further commands for it as a whole. */
  readonly children?: ReactNode;
}

/** Everything about one instrument. Jobs that use it keep it as it was when they took it. */
export function InstrumentEditor(props: Props) {
  const { kept, onChange } = props;
  return (
    <DocumentForm
      label="Instrument"
      dto={KitInstrumentDto}
      values={kept}
      onChange={(next) => onChange(next.name === undefined ? { ...next, name: kept.id } : next)}
      className="flex max-w-4xl flex-col gap-5"
    >
      <Heading {...props} />
      <Calibration kept={kept} />
      <LeadsAndRanging kept={kept} onChange={onChange} />
      <Ranges kept={kept} onChange={onChange} />
      <Face kept={kept} />
      <TextInput name="notes" label="Own notes" lines={3} />
    </DocumentForm>
  );
}

/** Picture of the instrument, drawn from its ranges and jacks. */
function Face({ kept }: { readonly kept: KitInstrument }) {
  const instrument = useMemo(() => instrumentForJob(kept), [kept]);
  const picture = useMemo(() => meterPicture(instrument, faceAlone), [instrument]);
  return (
    <figure className="max-w-sm">
      <figcaption className="text-[14px] text-soft">Its face, as the steps of a plan show it</figcaption>
      <MeterView instrument={instrument} shown={faceAlone} picture={picture} className="w-full" />
    </figure>
  );
}

const faceAlone = { setting: null };

type EditProps = Pick<Props, 'kept' | 'onChange'>;

/** Name and display, commands for the whole instrument, and the state of saving. */
function Heading({ kept, words, onChange, onCopy, onArchive, children }: Props) {
  const display = kept.display ?? 'digital';
  return (
    <div className="flex flex-wrap items-end gap-3">
      <TextInput
        name="name"
        label="Name of the instrument"
        placeholder={kept.id}
        className="min-w-[min(18rem,100%)] grow [&_input]:text-[18px] [&_input]:font-bold"
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
        {words || 'Changes are saved immediately. A job keeps its own copy of the instrument.'} Over range{' '}
        {display === 'digital' ? 'it displays OL.' : 'its needle is at the stop, also if reversed.'}
      </p>
    </div>
  );
}

/** Which specimen it is, where it answers, and when it was calibrated. */
function Calibration({ kept }: Pick<EditProps, 'kept'>) {
  const calibration = calibrationOn(kept, dayOf(new Date()));
  return (
    <div className="flex flex-wrap items-start gap-3">
      <TextInput name="assetTag" label="Asset tag" placeholder="SL-…" className="w-32" />
      <TextInput name="address" label="Network address" placeholder="tcp://host:port" className="w-56" />
      <TextInput name="calibratedOn" label="Calibrated on" type="date" className="w-40" />
      <TextInput name="laboratory" label="Laboratory" className="w-44" />
      <TextInput name="certificateNumber" label="Certificate number" className="w-44" />
      <NumberInput
        name="calibrationMonths"
        label="Calibration interval, months"
        limit={kitLimits.calibrationMonths}
        writing={asCount}
        placeholder="–"
        className="w-48"
      />
      {calibration && (
        <p className="self-end pb-2 text-[14px]">
          {calibration.status === 'overdue' ? (
            <b className="text-ochre">{dueWords(calibration)}: have it calibrated before it is relied on</b>
          ) : (
            dueWords(calibration)
          )}
        </p>
      )}
      <Link
        to={`/kit/${encodeURIComponent(kept.id)}/certificates`}
        className="inline-flex min-h-9 items-center gap-1.5 self-end rounded-lg border border-line bg-sheet px-3 hover:border-soft pointer-coarse:min-h-11"
      >
        <BadgeCheck aria-hidden size={16} /> Certificates, check against a standard
      </Link>
    </div>
  );
}

/** Resistance of leads and contacts, and automatic ranging. */
function LeadsAndRanging({ kept, onChange }: EditProps) {
  return (
    <div className="flex flex-wrap items-start gap-3">
      {(['leadResistance', 'contactResistance'] as const).map((key) => (
        <NumberInput
          key={key}
          name={key}
          label={key === 'leadResistance' ? 'Both leads' : 'Both contacts'}
          limit={kitLimits[key]}
          writing={inUnit('Ω')}
          placeholder="–"
          className="w-28"
        />
      ))}
      <p className="max-w-72 self-end pb-1 text-[13px] text-soft">
        Added to every current range when a job copies the instrument, and to every resistance reading.
      </p>
      <label className="flex min-h-9 items-center gap-2 self-end pointer-coarse:min-h-11">
        <input
          type="checkbox"
          className="size-6 accent-(--ochre-line)"
          checked={kept.autoRange !== undefined}
          onChange={(event) => {
            const { autoRange: _old, ...rest } = kept;
            onChange(event.target.checked ? { ...rest, autoRange: { up: 1, down: 0.09 } } : rest);
          }}
        />
        auto-ranging
      </label>
      {kept.autoRange &&
        (['up', 'down'] as const).map((key) => (
          <NumberInput
            key={key}
            name={`autoRange.${key}`}
            label={key === 'up' ? 'up above' : 'down below'}
            limit={kitLimits[key]}
            needed
            writing={inPercent}
            className="w-24"
          />
        ))}
    </div>
  );
}

/** Its ranges: volts, current and resistance. */
function Ranges({ kept, onChange }: EditProps) {
  const display = kept.display ?? 'digital';
  const ranges = (quantity: MeterQuantity): readonly Range[] => rangesOf(kept, quantity);
  const setRanges = (quantity: MeterQuantity, next: readonly Range[]): void =>
    onChange({
      ...kept,
      functions: (kept.functions ?? [])
        .map((f) => (f.quantity === quantity ? { quantity, ranges: next } : f))
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
