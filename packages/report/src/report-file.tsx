import type { ResistorSymbol } from '@usual-drag/core/drawing';
import type { OrderReport, Report } from '@usual-drag/core/report';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { faceStyle, type Faces } from './faces.ts';
import { OrderSheet, orderTitle } from './order-sheet.tsx';
import { reportDrawing } from './report-drawing.ts';
import { ReportSheet } from './report-sheet.tsx';
import { orderPageStyle, pageStyle, reportStyle } from './report-style.ts';

/**
 * A report as one HTML file that needs nothing else: style, faces and drawing are inside, and there is no script. It prints to A4.
 */
export const reportFile = (report: Report, resistor: ResistorSymbol, faces: Faces): string =>
  fileOf(
    report.job.title ?? 'Untitled',
    pageStyle(report),
    faces,
    <ReportSheet report={report} drawing={reportDrawing(report, resistor)} />,
  );

/** The same of an order. */
export const orderReportFile = (report: OrderReport, resistor: ResistorSymbol, faces: Faces): string =>
  fileOf(
    orderTitle(report),
    orderPageStyle(report),
    faces,
    <OrderSheet report={report} drawings={report.circuits.map((circuit) => reportDrawing(circuit, resistor))} />,
  );

function fileOf(title: string, pages: string, faces: Faces, sheet: ReactNode): string {
  const style = [faceStyle(faces), 'body { margin: 0; background: #f6f1e7; }', reportStyle, pages].join('\n');
  const markup = renderToStaticMarkup(
    <html lang="en-GB">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width" />
        <meta
          httpEquiv="Content-Security-Policy"
          content="default-src 'none'; style-src 'unsafe-inline'; font-src data:"
        />
        <title>{title}</title>
        <style dangerouslySetInnerHTML={{ __html: style }} />
      </head>
      <body>
        <main>{sheet}</main>
      </body>
    </html>,
  );
  return `<!doctype html>\n${markup}\n`;
}
