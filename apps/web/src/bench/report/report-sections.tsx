import { reportSections, sectionNames, type Report } from '@usual-drag/core/report';
import { toggleSection } from './chosen-sections.ts';

/** Sections of the report; those of a signed record as it was signed. */
export function ReportSections({ jobId, report }: { readonly jobId: string; readonly report: Report }) {
  const isSigned = report.state === 'signed';
  return (
    <fieldset disabled={isSigned}>
      <legend className="mb-1 text-[17px] font-bold">Sections</legend>
      <div className="grid grid-cols-2 rounded-xl border border-line bg-sheet px-3 py-1">
        {reportSections.map((section) => (
          <label key={section} className="flex min-h-9 items-center gap-2.5 pointer-coarse:min-h-11">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-(--ochre-line)"
              checked={report.sections.includes(section)}
              onChange={() => toggleSection(jobId, section)}
            />
            {sectionNames[section]}
          </label>
        ))}
      </div>
      {isSigned && <p className="mt-1 text-[14px] text-soft">As signed.</p>}
    </fieldset>
  );
}
