import { Printer } from 'lucide-react';
import type { Report } from '@usual-drag/core/report';
import { useEffect, useMemo } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { useCommands, type Command } from '../../ui/commands.ts';
import { toast } from '../../ui/toast.ts';
import { whenOnRecord } from '../../ui/words.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { takeInHand } from '../model/reading-entry.ts';
import { ReportSections } from './report-sections.tsx';
import { saveReadings, saveReport } from './save-report.ts';
import { SignReport } from './sign-report.tsx';
import { useReport, type ReportView } from './use-report.ts';

/** The last step: the record of the job is looked through, printed or saved, and signed. */
export function ReportStep({ view }: { readonly view: BenchView }) {
  const shown = useReport(view);
  const { report, entry, signatures, isDiagnosing } = shown;
  useEffect(() => takeInHand(view.jobId), [view.jobId]);
  const made = report?.ok ? report.value : null;
  const commands = useMemo(
    (): Command[] =>
      made === null
        ? []
        : [
            { group: 'Actions', text: 'Print the report', run: () => window.print() },
            { group: 'Actions', text: 'Save the report as HTML', run: () => save(made) },
            { group: 'Actions', text: 'Export the readings of the report (CSV)', run: () => saveReadings(made) },
          ],
    [made],
  );
  useCommands('report', commands);
  return (
    <div className="flex flex-col gap-4 py-1.5 text-[15px]">
      {entry !== null && (
        <p className="rounded-xl border border-line bg-sheet p-3">
          This is the signed record with the job at that time.{' '}
          <Link className="underline" to={`/bench/${view.jobId}/report`}>
            Open the present job
          </Link>
        </p>
      )}
      {made && (
        <div className="flex flex-wrap gap-2">
          <Button tone="strong" onClick={() => window.print()}>
            <Printer aria-hidden size={16} /> Print
          </Button>
          <Button onClick={() => save(made)}>Save as HTML</Button>
          <Button disabled={made.readings.length === 0} onClick={() => saveReadings(made)}>
            Save readings as CSV
          </Button>
        </div>
      )}
      {/* Its place is kept when it says nothing: what stands below must not move under a finger. */}
      <p role="status" className="-my-2 min-h-5 text-[14px] leading-5 text-soft">
        {isDiagnosing && 'Searching for explanations …'}
      </p>
      {made && entry === null && <SignReport key={made.hash} jobId={view.jobId} report={made} />}
      <SignedRecords jobId={view.jobId} signatures={signatures} entry={entry} />
      {made && entry === null && <ReportSections jobId={view.jobId} report={made} />}
    </div>
  );
}

const save = (report: Report): void =>
  void saveReport(report).catch((fault: Error) => toast.error(`The report cannot be saved: ${fault.message}`));

interface SignedProps extends Pick<ReportView, 'signatures' | 'entry'> {
  readonly jobId: string;
}

/** Signed records of this job, each of which can be opened. */
function SignedRecords({ jobId, signatures, entry }: SignedProps) {
  if (signatures.length === 0) return null;
  return (
    <section aria-label="Signed records">
      <h2 className="mb-1 text-[17px] font-bold">Signed records</h2>
      <ul className="flex flex-col divide-y divide-line/60 rounded-xl border border-line bg-sheet">
        {signatures.map((one) => (
          <li key={one.entry} className="flex flex-wrap items-center justify-between gap-x-3 px-3 py-1.5">
            <span>
              {one.by}, {whenOnRecord(one.at)}
              <span className="figures block text-[13px] text-soft">document {one.hash.slice(0, 16)}</span>
            </span>
            {String(one.entry) === entry ? (
              <span className="text-soft">open</span>
            ) : (
              <Link className="inline-flex min-h-9 items-center underline" to={`/bench/${jobId}/report/${one.entry}`}>
                Open<span className="sr-only"> the record signed by {one.by}</span>
              </Link>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
