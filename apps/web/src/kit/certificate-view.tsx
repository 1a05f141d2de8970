import { fail } from '@usual-drag/core/result';
import { formatQuantity, parseQuantity } from '@usual-drag/core/quantity';
import {
  certificateFaults,
  certificateFrom,
  checkAgainstStandard,
  isDay,
  unitOf,
  withCertificate,
  type KitInstrument,
  type Range,
  type ReadingQuantity,
  type ResistanceRange,
} from '@usual-drag/core/instrument';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../ui/button.tsx';
import { Choice } from '../ui/choice.tsx';
import { Note } from '../ui/note.tsx';
import { offer } from '../ui/offer.ts';
import { DateField } from '../ui/date-field.tsx';
import { Segments } from '../ui/segments.tsx';
import { ValueField } from '../ui/value-field.tsx';
import { useCertificateDraft } from './certificate-drafts.ts';
import { CertificatePoints } from './certificate-points.tsx';

interface Props {
  readonly kept: KitInstrument;
  readonly onChange: (kept: KitInstrument) => void;
  readonly onUndo: () => void;
}

type Quantity = ReadingQuantity;
interface RangeOfKit {
  readonly key: string;
  readonly quantity: Quantity;
  readonly range: Range | ResistanceRange;
}

/** The certificates of an instrument's ranges: entered from a laboratory, or made by checking against a standard. */
export function CertificateView({ kept, onChange, onUndo }: Props) {
  const ranges = rangesOfKit(kept);
  const [key, setKey] = useState(ranges[0]?.key ?? '');
  const chosen = ranges.find((one) => one.key === key) ?? ranges[0];
  return (
    <div className="flex max-w-4xl flex-col gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-[20px] font-bold">{kept.name ?? kept.id}: certificates and checks</h2>
        <Link className="inline-flex min-h-9 items-center underline" to={`/kit/${encodeURIComponent(kept.id)}`}>
          To the instrument
        </Link>
      </div>
      {!chosen ? (
        <p>This instrument has no range yet.</p>
      ) : (
        <>
          <Choice
            label="Range"
            showLabel
            className="w-72"
            value={chosen.key}
            options={ranges.map(({ key: value, quantity, range }) => ({
              value,
              text: `${words[quantity]}, ${range.id}${range.calibration ? ` (${range.calibration.on})` : ''}`,
            }))}
            onChange={setKey}
          />
          <RangeCertificate key={chosen.key} kept={kept} chosen={chosen} onChange={onChange} onUndo={onUndo} />
        </>
      )}
    </div>
  );
}

const words = { 'dc-voltage': 'DC volts', 'dc-current': 'DC current', resistance: 'Resistance' } as const;

function rangesOfKit({ functions = [], resistanceRanges = [] }: KitInstrument): RangeOfKit[] {
  const named = (quantity: Quantity, range: Range | ResistanceRange): RangeOfKit => ({
    key: `${quantity} ${range.id}`,
    quantity,
    range,
  });
  return [
    ...functions.flatMap(({ quantity, ranges }) => ranges.map((range) => named(quantity, range))),
    ...resistanceRanges.map((range) => named('resistance', range)),
  ];
}

const sources = [
  { value: 'standard', text: 'Check against a standard' },
  { value: 'laboratory', text: 'Certificate of a laboratory' },
] as const;

function RangeCertificate({ kept, chosen, onChange, onUndo }: Props & { readonly chosen: RangeOfKit }) {
  const { quantity, range } = chosen;
  const unit = unitOf(quantity);
  const { draft, change, end } = useCertificateDraft(`${kept.id} ${chosen.key}`, range);
  const { source, isWhole, on, typedU, points } = draft;
  const full = points.filter(
    (point): point is { applied: number; indicated: number } => point.indicated !== null && point.applied !== null,
  );
  const check = checkAgainstStandard(kept, range, full, typedU);
  const isCheck = source === 'standard';
  const made = certificateFrom(on, full, isCheck ? check.uncertainty : (typedU ?? 0));
  const [fault] = full.length === 0 ? [] : certificateFaults(made);
  const ready = full.length > 0 && typedU !== null && fault === undefined;
  const name = `${kept.name ?? kept.id}, ${range.id}`;
  const keep = (): void => {
    onChange(withCertificate(isWhole ? { ...kept, calibratedOn: on } : kept, quantity, range.id, made));
    end();
    offer(`Certificate of ${on} kept for ${name}.`, 'Undo', onUndo);
  };
  const remove = (): void => {
    onChange(withCertificate(kept, quantity, range.id, null));
    offer(`The certificate of ${name} is removed.`, 'Undo', onUndo);
  };
  return (
    <>
      {range.calibration && <Present chosen={chosen} onRemove={remove} />}
      <Segments
        label="Where it comes from"
        value={source}
        options={sources}
        onChange={(next) => change({ source: next })}
      />
      {isCheck && (
        <Note kind="hazard">
          Apply no more than the range and its leads are made for. From 60 V DC on it can kill: local codes and licensed
          practice decide who may do this.
        </Note>
      )}
      <div className="flex flex-wrap items-start gap-3">
        <label className="flex flex-col text-[13px] text-soft">
          {isCheck ? 'Checked on' : 'Certificate date'}
          <DayField name={isCheck ? 'Checked on' : 'Certificate date'} day={on} onDay={(day) => change({ on: day })} />
        </label>
        <ValueField
          label={isCheck ? 'U of the standard, k = 2' : 'U of the certificate, k = 2'}
          showLabel
          className="w-52"
          placeholder={unit}
          shown={typedU === null ? '' : formatQuantity(typedU, unit, { digits: 4, trim: true })}
          read={(text) => {
            const read = parseQuantity(text, unit);
            return read.ok && read.value < 0 ? fail({ message: 'Not below zero.' }) : read;
          }}
          onCommit={(u) => change({ typedU: u })}
        />
        <label className="flex min-h-9 items-center gap-2 self-end pointer-coarse:min-h-11">
          <input
            type="checkbox"
            className="size-5 accent-(--ochre-line)"
            checked={isWhole}
            onChange={(event) => change({ isWhole: event.target.checked })}
          />
          calibration of the whole instrument: the next is due an interval later
        </label>
      </div>
      <CertificatePoints
        unit={unit}
        points={points}
        check={isCheck ? check : null}
        onChange={(next) => change({ points: next })}
      />
      <div className="flex flex-wrap items-center gap-3">
        <Button onClick={() => change({ points: [...points, { applied: null, indicated: null }] })}>
          <Plus aria-hidden size={16} /> Another point
        </Button>
        <Button tone="strong" disabled={!ready} onClick={keep}>
          Keep as its certificate
        </Button>
        <p className="text-[14px] text-soft" role="status">
          {fault ? `Cannot be kept: ${fault}.` : readyWords(full.length, typedU, made.uncertainty, unit)}
        </p>
      </div>
    </>
  );
}

function readyWords(points: number, typed: number | null, uncertainty: number, unit: 'V' | 'A' | 'Ω'): string {
  if (points === 0) return 'Type what the instrument indicated at one point or more.';
  if (typed === null) return 'Type U, k = 2.';
  return `U of the certificate: ${formatQuantity(uncertainty, unit, { digits: 2 })}, k = 2. The error of this range is then taken off its readings, as soon as a job takes the instrument.`;
}

/** The certificate that the range has now. */
function Present({
  chosen: { quantity, range },
  onRemove,
}: {
  readonly chosen: RangeOfKit;
  readonly onRemove: () => void;
}) {
  const { on, points, uncertainty } = range.calibration!;
  const unit = unitOf(quantity);
  const told = (value: number): string => formatQuantity(value, unit, { digits: 6, trim: true });
  return (
    <section aria-label="Present certificate" className="rounded-xl border border-line bg-sheet p-3 text-[14px]">
      <p className="flex flex-wrap items-center justify-between gap-3">
        <b>
          Certificate of {on}, U = {formatQuantity(uncertainty, unit, { digits: 2 })}, k = 2
        </b>
        <Button onClick={onRemove}>Remove the certificate</Button>
      </p>
      <p className="figures">
        {points
          .map(
            ({ applied, indicated }) =>
              `${told(applied)} → ${told(indicated)} (${formatQuantity(indicated - applied, unit, { digits: 2, signed: true })})`,
          )
          .join('; ')}
      </p>
    </section>
  );
}

interface DayFieldProps {
  readonly name: string;
  /** `2026-11-30`. */
  readonly day: string;
  readonly onDay: (day: string) => void;
}

/** Field for a day; text that is no day yet stays until the field is left. */
function DayField({ name, day, onDay }: DayFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <DateField
      name={name}
      value={typed ?? day}
      className="min-h-9 w-32 rounded-lg border border-line bg-sheet px-2 text-[16px] text-ink pointer-coarse:min-h-11"
      onType={(text) => {
        setTyped(text);
        if (isDay(text)) onDay(text);
      }}
      onPick={(picked) => {
        setTyped(null);
        onDay(picked);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
