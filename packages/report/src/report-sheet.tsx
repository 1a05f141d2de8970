import type { Report, ReportSection } from '@usual-drag/core/report';
import type { ReactNode } from 'react';
import { Drawing } from './drawing.tsx';
import { Head } from './head.tsx';
import { Instruments } from './instruments.tsx';
import { Meaning } from './meaning.tsx';
import { Parts, Supplies, TrueValues } from './parts.tsx';
import { Readings } from './readings.tsx';
import { Explanations } from './explanations.tsx';
import { Setups } from './setups.tsx';
import { Restoring, Signatures } from './signing.tsx';
import { Sums } from './sums.tsx';
import { Sweeps } from './sweeps.tsx';
import { Words } from './words.tsx';

interface Props {
  readonly report: Report;
  /** The network's drawing as the text of an SVG file. */
  readonly drawing: string;
}

/** The record of a job as it is printed: its head, the sections that were chosen, what its figures mean, who signs. */
export const ReportSheet = ({ report, drawing }: Props) => (
  <article className="report">
    <Head report={report} />
    <Sections report={report} drawing={drawing} />
    <Meaning conventions={report.job.conventions ?? {}} values={report.network.values ?? 'nominal'} />
    <Signatures report={report} />
  </article>
);

/** The sections of a report that were chosen, in their order. */
export function Sections({ report, drawing }: Props) {
  const of: Readonly<Record<ReportSection, ReactNode>> = {
    result: <Words section="result" lines={report.result} />,
    drawing: <Drawing drawing={drawing} />,
    parts: <Parts report={report} />,
    supply: <Supplies report={report} />,
    'true-values': <TrueValues report={report} />,
    setups: <Setups setups={report.setups} />,
    readings: (
      <>
        <Readings report={report} />
        <Sweeps sweeps={report.sweeps} />
      </>
    ),
    loading: <Words section="loading" lines={report.loading} none="No reading to explain." />,
    sums: <Sums sums={report.sums} />,
    diagnosis: (
      <>
        <Words section="diagnosis" lines={report.diagnosis} />
        {report.explanations && <Explanations matrix={report.explanations} />}
      </>
    ),
    instruments: <Instruments instruments={report.instruments} />,
    cautions: <Words section="cautions" lines={report.cautions} none="None stood." after={deference} />,
    restoring: <Restoring checks={report.restoring} />,
  };
  return report.sections.map((section) => (
    <section key={section} className={isShort(report, section) ? 'together' : undefined}>
      {of[section]}
    </section>
  ));
}

/** Returns whether a section is kept together on a page; a long table breaks between its rows. */
const isShort = ({ parts, sums }: Report, section: ReportSection): boolean =>
  section === 'parts' || section === 'true-values'
    ? parts.length <= 12
    : section === 'sums'
      ? sums.length <= 8
      : section !== 'readings';

const deference = 'Local codes and licensed practice decide; these cautions do not replace proving a circuit dead.';
