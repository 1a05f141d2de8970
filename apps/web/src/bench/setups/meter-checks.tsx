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
          . {start.safe ? '' : 'No fuse of this instrument carries the current that can flow here. '}Start with jack{' '}
          <b className="text-ink">{start.begin.jack ?? 'A'}</b>, range <b className="text-ink">{start.begin.id}</b>
          {start.stepDownTo && (
            <>
              ; then
              {start.stepDownTo.jack !== start.begin.jack && start.stepDownTo.jack && (
                <>
                  {' '}
                  jack <b className="text-ink">{start.stepDownTo.jack}</b>,
                </>
              )}{' '}
              range <b className="text-ink">{start.stepDownTo.id}</b>
            </>
          )}
          .
        </>
      )}
    </p>
  );
}
