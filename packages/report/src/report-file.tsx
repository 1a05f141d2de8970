import type { ResistorSymbol } from '@usual-drag/core/drawing';
import type { Report } from '@usual-drag/core/report';
import { renderToStaticMarkup } from 'react-dom/server';
import { faceStyle, type Faces } from './faces.ts';
import { reportDrawing } from './report-drawing.ts';
import { ReportSheet } from './report-sheet.tsx';
import { pageStyle, reportStyle } from './report-style.ts';

/**
 * A report as one HTML file that needs nothing else: style, faces and drawing are inside, and there is no script. It prints to A4.
 */
export function reportFile(report: Report, resistor: ResistorSymbol, faces: Faces): string {
  const style = [faceStyle(faces), 'body { margin: 0; background: #f6f1e7; }', reportStyle, pageStyle(report)].join(
    '\n',
  );
  const markup = renderToStaticMarkup(
    <html lang="en-GB">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width" />
        <meta
          httpEquiv="Content-Security-Policy"
          content="default-src 'none'; style-src 'unsafe-inline'; font-src data:"
        />
        <title>{report.job.title ?? 'Untitled'}</title>
        <style dangerouslySetInnerHTML={{ __html: style }} />
      </head>
      <body>
        <main>
          <ReportSheet report={report} drawing={reportDrawing(report, resistor)} />
        </main>
      </body>
    </html>,
  );
  return `<!doctype html>\n${markup}\n`;
}
