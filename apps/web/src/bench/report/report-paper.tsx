import { pageStyle, reportDrawing, ReportSheet, reportStyle } from '@usual-drag/report';
import { useMemo } from 'react';
import { useDisplay } from '../canvas/display.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { useReport } from './use-report.ts';

/** The report as it will be printed. */
export function ReportPaper({ view }: { readonly view: BenchView }) {
  const { report, failure } = useReport(view);
  const resistor = useDisplay((state) => state.resistor);
  const drawn = report?.ok ? report.value : null;
  const drawing = useMemo(() => drawn && reportDrawing(drawn, resistor), [drawn, resistor]);
  if (failure !== null) return <p className="p-8">{failure}</p>;
  if (!report) return <p className="p-8 text-soft">Fetching the signed record …</p>;
  if (!report.ok) return <p className="p-8">There is no report yet. {report.fault.message}</p>;
  return (
    <div
      className="relative min-h-0 grow overflow-y-auto bg-sunk p-3 print:bg-transparent print:p-0"
      role="region"
      aria-label="Report"
      tabIndex={0}
    >
      <style>{`${reportStyle}\n${pageStyle(report.value)}`}</style>
      <div className="mx-auto max-w-[210mm] shadow-sm print:max-w-none print:shadow-none">
        <ReportSheet report={report.value} drawing={drawing ?? ''} />
      </div>
    </div>
  );
}
