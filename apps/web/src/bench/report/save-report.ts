import { rowsFromReadings } from '@usual-drag/core/job';
import type { Report } from '@usual-drag/core/report';
import { csvText } from '../../ui/csv.ts';
import { fetchFaces } from '../../drawing/faces.ts';
import { fileStem, saveText } from '../../ui/save-file.ts';
import { useDisplay } from '../canvas/display.ts';

/** Saves a report as one HTML file that needs nothing else. */
export async function saveReport(report: Report): Promise<void> {
  const [{ reportFile }, faces] = await Promise.all([import('@usual-drag/report/file'), fetchFaces()]);
  const { resistor } = useDisplay.getState();
  saveText(reportFile(report, resistor, faces), `${nameOf(report)}.report.html`, 'text/html');
}

/** Saves a report's readings with what they were compared with. */
export function saveReadings(report: Report): void {
  const compared = Object.fromEntries(
    report.readings.flatMap(({ reading, compared }) => (compared ? [[reading.id, compared] as const] : [])),
  );
  const rows = rowsFromReadings(report.job.readings ?? [], compared);
  saveText(csvText(rows), `${nameOf(report)}.readings.csv`, 'text/csv');
}

const nameOf = ({ job }: Report): string => fileStem(job.title ?? '');
