import { settledRange, type Instrument } from '@usual-drag/core/instrument';
import type { MeasurementPoint, Meter, RangeOption } from '@usual-drag/core/loading';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useMemo, useState } from 'react';
import { listQuery } from '../../api/lists.ts';
import { codeLater } from '../../ui/fetched-later.ts';
import { Note } from '../../ui/note.tsx';
import { toast } from '../../ui/toast.ts';
import { useRangeOptions } from './range-options.ts';
import { RangeOptionsTable } from './range-table.tsx';

const rangeSaver = codeLater(async () => (await import('./save-ranges.ts')).saveRanges);

interface Props {
  readonly meter: Meter;
  readonly instrument: Instrument | undefined;
  /** Every instrument that measures the quantity. */
  readonly fitting: readonly Instrument[];
  readonly point: MeasurementPoint | null;
  readonly onTake: (option: RangeOption) => void;
}

/** The range table of the meter's instrument, or of the whole kit. */
export function Ranges({ meter, instrument, fitting, point, onTake }: Props) {
  const [several, setSeveral] = useState(false);
  const candidates = useMemo(
    () => (several ? fitting : instrument ? [instrument] : []),
    [several, fitting, instrument],
  );
  // With every instrument of the kit in it the table is long: the reading goes before it.
  const listed = useRangeOptions(useDeferredValue(point), meter, candidates);
  if (!listed) return <Note kind="limit">Nothing determines a value at these leads: no range can be compared.</Note>;
  return (
    <section aria-label={`Ranges for ${meter.id}`} className="flex flex-col gap-0.5">
      <RangeOptionsTable meter={meter} rangeOptions={listed} several={several} onTake={onTake}>
        <label className="ml-auto inline-flex min-h-6 items-center gap-1 text-ink pointer-coarse:min-h-11">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            checked={several}
            onChange={(event) => setSeveral(event.target.checked)}
          />
          whole kit
        </label>
        <button
          type="button"
          className="min-h-6 text-ink underline pointer-coarse:min-h-11"
          onClick={() =>
            void rangeSaver()
              .then((save) => save(listed.options, meter.quantity))
              .catch((fault: Error) => toast.error(fault.message))
          }
        >
          CSV
        </button>
      </RangeOptionsTable>
      {instrument && <AutoRange meter={meter} instrument={instrument} options={listed.options} onTake={onTake} />}
    </section>
  );
}

interface AutoRangeProps {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly options: readonly RangeOption[];
  readonly onTake: (option: RangeOption) => void;
}

/** The range on which an auto-ranging instrument settles, where it is another one. */
function AutoRange({ meter, instrument, options, onTake }: AutoRangeProps) {
  const { data: kit = [] } = useQuery(listQuery('instruments'));
  const autoRange = kit.find(({ id }) => id === instrument.id)?.document.autoRange;
  const own = options.filter((option) => option.instrument.id === instrument.id);
  const settled = autoRange && settledRange(own, autoRange);
  if (!settled || settled.range.id === meter.range) return null;
  return (
    <p className="text-[14px]">
      Auto-ranging settles on{' '}
      <button type="button" className="min-h-6 font-bold underline" onClick={() => onTake(settled)}>
        {settled.range.id}
      </button>
      .
    </p>
  );
}
