import { calibrationsDue, dayOf, type KitInstrument } from '@usual-drag/core/instrument';
import { CalendarClock } from 'lucide-react';
import { Link } from 'react-router';

/** Number of calibrations that expire, with a link to the list of all. */
export function CalibrationReminder({ kit }: { readonly kit: readonly KitInstrument[] }) {
  const due = calibrationsDue(kit, dayOf(new Date()));
  const overdue = due.filter(({ calibration }) => calibration.status === 'overdue').length;
  const soon = due.filter(({ calibration }) => calibration.status === 'soon').length;
  const words = [...(overdue > 0 ? [`${overdue} overdue`] : []), ...(soon > 0 ? [`${soon} due within 30 days`] : [])];
  return (
    <Link
      to="/calibrations"
      className="flex min-h-9 items-center gap-2 rounded-lg border border-line bg-sheet px-3 py-1 hover:border-soft pointer-coarse:min-h-11"
    >
      <CalendarClock aria-hidden size={17} className="shrink-0" />
      <span>
        Calibrations{words.length > 0 && ': '}
        <b className="text-ochre">{words.join(', ')}</b>
      </span>
    </Link>
  );
}
