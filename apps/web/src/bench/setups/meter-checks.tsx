import { formatQuantity } from '@usual-drag/core/quantity';
import type { Instrument, Range } from '@usual-drag/core/instrument';
import { startingJack, type Meter } from '@usual-drag/core/loading';

interface Props {
  readonly meter: Meter;
  readonly instrument: Instrument | undefined;
  readonly range: Range | undefined;
  /** A that an ideal meter would carry here; null for volts, or if it is not known. */
  readonly shortCircuit: number | null;
}

/** Function, leads and placement of a meter in a line; for a current the jack and range to begin with. */
export function MeterChecks({ meter, instrument, range, shortCircuit }: Props) {
  const across = meter.quantity === 'dc-voltage';
  const jack = range?.jack ?? (across ? 'V' : 'A');
  const start = !across && instrument && shortCircuit !== null ? startingJack(instrument, shortCircuit) : null;
  return (
    <p className="text-[14px] leading-snug text-soft">
      DC {across ? 'voltage' : 'current'} · jacks <b className="text-ink">{jack}</b> and <b className="text-ink">COM</b>
      {range?.fuse !== undefined && <>, fuse {formatQuantity(range.fuse, 'A', { digits: 3, trim: true })}</>} ·{' '}
      {across ? 'across, circuit closed' : 'in series, circuit opened'}
      {start && (
        <>
          . {start.safe ? 'Begin' : 'No fuse of this instrument carries the current that can flow here. Begin'} in{' '}
          <b className="text-ink">{start.begin.jack ?? 'A'}</b> on <b className="text-ink">{start.begin.id}</b>
          {start.stepDownTo && (
            <>
              , then go down to <b className="text-ink">{start.stepDownTo.id}</b>
              {start.stepDownTo.jack !== start.begin.jack && start.stepDownTo.jack && <> in {start.stepDownTo.jack}</>}
            </>
          )}
          .
        </>
      )}
    </p>
  );
}
