import { calibrationOn, dayOf, rangesOf, type KitInstrument } from '@usual-drag/core/instrument';
import clsx from 'clsx';
import { dueWords } from './due-words.ts';

interface Props {
  readonly kept: KitInstrument;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

/** An instrument of the kit, in brief: kind, tag, what it measures, and whether its calibration runs out. */
export function InstrumentCard({ kept, chosen, onChoose }: Props) {
  const calibration = calibrationOn(kept, dayOf(new Date()));
  const counts = [
    [rangesOf(kept, 'dc-voltage').length, 'V'],
    [rangesOf(kept, 'dc-current').length, 'A'],
    [kept.resistanceRanges?.length ?? 0, 'Ω'],
  ] as const;
  const measures = counts.filter(([count]) => count > 0);
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={clsx(
        'flex w-full flex-col rounded-xl border bg-sheet px-3.5 py-2.5 text-left',
        chosen ? 'border-2 border-ink' : 'border-line hover:border-soft',
      )}
    >
      <span className="font-bold">{kept.name ?? kept.id}</span>
      <span className="text-[13px] text-soft">
        {kept.display ?? 'digital'}
        {kept.assetTag && <> · {kept.assetTag}</>} ·{' '}
        {measures.length === 0 ? 'no ranges yet' : measures.map(([count, unit]) => `${count} × ${unit}`).join(', ')}
      </span>
      {calibration && calibration.status !== 'good' && (
        <span className="text-[13px] font-bold text-ochre">calibration {dueWords(calibration)}</span>
      )}
    </button>
  );
}
