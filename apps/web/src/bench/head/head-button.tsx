import { ClipboardPen } from 'lucide-react';
import { useId, useState } from 'react';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { Panel } from '../../ui/panel.tsx';
import { useBench } from '../model/bench-store.ts';

const JobHead = fetchedLater(async () => (await import('./job-head.tsx')).JobHead);

/** The job's asset and order beside its title; opens the form of its head below. */
export function HeadButton() {
  const record = useBench((state) => state.document.record);
  const [open, setOpen] = useState(false);
  const id = useId();
  const said = [record?.asset, record?.order].filter(Boolean).join(' · ');
  return (
    <>
      <button
        type="button"
        popoverTarget={id}
        aria-expanded={open}
        aria-label={`Job details${said && `: ${said}`}`}
        title="Site, asset, order, by, date, ambient, notes"
        className="inline-flex min-h-9 items-center gap-1.5 rounded-lg px-2 text-[14px] whitespace-nowrap hover:bg-white/15"
      >
        <ClipboardPen aria-hidden size={16} />
        <span className="max-w-44 truncate max-md:sr-only">{said || 'Job details'}</span>
      </button>
      <div
        id={id}
        popover="auto"
        role="dialog"
        aria-label="Job details"
        className="fixed inset-auto top-13 left-2 m-0 w-[min(30rem,calc(100vw-1rem))] rounded-xl border border-line bg-sheet p-4 text-ink shadow-xl md:left-40"
        onToggle={(event) => setOpen(event.newState === 'open')}
      >
        {open && (
          <Panel name="The job details">
            <JobHead />
          </Panel>
        )}
      </div>
    </>
  );
}
