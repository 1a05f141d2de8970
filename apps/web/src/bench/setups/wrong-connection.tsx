import {
  formatQuantity,
  mistakesOf,
  startingJack,
  type Instrument,
  type Meter,
  type Range,
  type ConnectionMistake,
} from '@usual-drag/core';
import { Choice } from '../../ui/choice.tsx';
import type { MistakeTrial } from './use-mistake.ts';

interface ChecksProps {
  readonly meter: Meter;
  readonly instrument: Instrument | undefined;
  readonly range: Range | undefined;
  /** A that an ideal meter would carry here; null for volts, or where it is not known. */
  readonly shortCircuit: number | null;
}

/** The four checks in their order: function, leads, range, placement; and for a current where to begin. */
export function Checks({ meter, instrument, range, shortCircuit }: ChecksProps) {
  const across = meter.quantity === 'dc-voltage';
  const jack = range?.jack ?? (across ? 'V' : 'A');
  const start = !across && instrument && shortCircuit !== null ? startingJack(instrument, shortCircuit) : null;
  return (
    <p className="text-[14px] text-soft">
      {across ? 'DC volts' : 'DC current'} · leads in <b className="text-ink">{jack}</b> and{' '}
      <b className="text-ink">COM</b>
      {range?.fuse !== undefined && <>, fuse {formatQuantity(range.fuse, 'A', { digits: 3, trim: true })}</>} · range{' '}
      {meter.range} · {across ? 'across, the circuit whole' : 'in series, the circuit opened'}
      {start && (
        <>
          <br />
          {start.safe ? 'Begin' : 'No fuse of this instrument stands what can flow here. Begin'} in the{' '}
          <b className="text-ink">{start.begin.jack ?? 'A'}</b> jack on <b className="text-ink">{start.begin.id}</b>
          {start.stepDownTo && (
            <>
              , then down to <b className="text-ink">{start.stepDownTo.id}</b>
              {start.stepDownTo.jack !== start.begin.jack && start.stepDownTo.jack && (
                <> in the {start.stepDownTo.jack} jack</>
              )}
            </>
          )}
          .
        </>
      )}
    </p>
  );
}

const mistakeWords: Readonly<Record<ConnectionMistake, string>> = {
  'one-point': 'both leads on one point',
  hanging: 'a lead hanging',
  across: 'across the part, not in series',
  'current-jack': 'lead left in the current jack',
  'blown-fuse': 'fuse blown before',
  backwards: 'leads swapped',
};

interface HandledProps {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly trial: MistakeTrial;
}

/** Handles the meter wrongly on purpose, to see what that does and how one gets out of it. */
export function Handled({ meter, instrument, trial }: HandledProps) {
  const own = trial.asked?.meter === meter.id ? trial.asked.mistake : 'right';
  return (
    <Choice
      label={`${meter.id} is handled`}
      className="w-60"
      value={own}
      options={[
        { value: 'right', text: 'handled rightly' },
        ...mistakesOf(meter, instrument).map((mistake) => ({
          value: mistake,
          text: `on purpose: ${mistakeWords[mistake]}`,
        })),
      ]}
      onChange={(next) => trial.ask(next === 'right' ? null : { meter: meter.id, mistake: next })}
    />
  );
}
