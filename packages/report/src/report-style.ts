import type { OrderReport, Report } from '@usual-drag/core/report';

/** Style of the report, on the screen and on paper. True is ink, indicated is ochre; red is for hazards alone. */
export const reportStyle = `
.report { box-sizing: border-box; max-width: 210mm; margin: 0 auto; padding: 12mm 14mm; background: #fffdf8; color: #22303c;
  font: 10pt/1.4 'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', sans-serif; }
.report *, .report *::before { box-sizing: border-box; }
.report h1 { margin: 0 0 2mm; font-size: 19pt; line-height: 1.15; font-weight: 700; }
.report h2 { margin: 6mm 0 1.5mm; padding-bottom: .6mm; border-bottom: .4mm solid #22303c; font-size: 12.5pt; font-weight: 700; break-after: avoid; }
.report p, .report ul, .report ol { margin: 0 0 1.5mm; padding: 0; orphans: 3; widows: 3; }
.report ul, .report ol { padding-left: 5mm; }
.report ul { list-style: disc; }
.report li { break-inside: avoid; margin-bottom: .6mm; }
.report dl { display: grid; grid-template-columns: repeat(4, 1fr); gap: 1.5mm 5mm; margin: 0 0 2mm; break-inside: avoid; }
.report dt { color: #59626a; font-size: 8.5pt; }
.report dd { margin: 0; font-weight: 700; overflow-wrap: anywhere; }
.report .notes { grid-column: 1 / -1; font-weight: 400; white-space: pre-line; }
.report .state { margin-bottom: 3mm; padding: 1.5mm 3mm; border: .4mm solid #22303c; border-radius: 1.5mm; break-inside: avoid; }
.report .frame { position: relative; overflow-x: auto; }
.report table { width: 100%; border-collapse: collapse; font-size: 9pt; line-height: 1.3; }
.report thead { display: table-header-group; }
.report tr { break-inside: avoid; }
.report th, .report td { padding: .8mm 1.2mm; border-bottom: .2mm solid #d9cfbb; text-align: left; vertical-align: top; font-weight: 400; }
.report thead th { border-bottom: .4mm solid #59626a; color: #59626a; font-size: 8.5pt; vertical-align: bottom; }
.report th[scope=row] { font-weight: 700; }
.report .n, .report .figures { font-family: 'Atkinson Hyperlegible Mono Variable', 'Atkinson Hyperlegible Mono', monospace; font-variant-numeric: tabular-nums slashed-zero; }
.report .n { text-align: right; white-space: nowrap; }
.report thead .n { font-family: inherit; white-space: normal; }
.report .small { display: block; font-weight: 400; color: #59626a; font-size: 8pt; line-height: 1.25; }
.report .indicated { color: #9a5500; }
.report .hazard { color: #a11d1d; }
.report .stands { font-weight: 700; }
.report .struck td, .report .struck th { color: #59626a; }
.report .struck s { text-decoration-thickness: .3mm; }
.report .readings table { table-layout: fixed; }
.report .readings th, .report .readings td { padding-left: .7mm; padding-right: .7mm; overflow-wrap: break-word; }
.report .readings th:last-child, .report .readings td:last-child { padding-left: 2mm; }
.report figure svg > rect:first-of-type { fill: none; }
.report .face { display: block; margin-top: 1mm; }
.report .face svg { display: block; width: 100%; max-width: 52mm; height: auto; }
.report figure { margin: 0; break-inside: avoid; }
.report figure svg { display: block; width: auto; height: auto; max-width: 100%; max-height: 120mm; margin: 0 auto; }
.report .checks { list-style: none; padding: 0; columns: 2; column-gap: 8mm; }
.report .checks li::before { content: ''; display: inline-block; width: 3.4mm; height: 3.4mm; margin-right: 2mm; border: .3mm solid #22303c; vertical-align: -.5mm; }
.report .checks li.done::before { content: '✓'; font-size: 9pt; line-height: 3mm; text-align: center; }
.report .sign { display: grid; grid-template-columns: repeat(3, 1fr); gap: 8mm; margin: 4mm 0; break-inside: avoid; }
.report .sign p { margin: 0; color: #59626a; font-size: 8.5pt; }
.report .sign b { display: block; min-height: 9mm; margin-bottom: 1mm; border-bottom: .3mm solid #22303c; color: #22303c; font-size: 10pt; align-content: end; }
.report .hash { overflow-wrap: anywhere; font-size: 8.5pt; }
.report .circuit > h1 { margin-top: 9mm; break-after: avoid; }
.report section.together { break-inside: avoid; }
@media screen and (max-width: 700px) {
  .report { padding: 6mm 4mm; }
  .report dl { grid-template-columns: repeat(2, 1fr); }
  .report .checks { columns: 1; }
  .report .frame table { min-width: 120mm; }
  .report .readings table { min-width: 180mm; }
}
@media print {
  .report { max-width: none; padding: 0; background: none; }
  .report .frame { overflow: visible; }
  html, body { background: #fff; }
}`;

/** The sheets of paper: A4, and on each of them whose record it is, which page of how many, and which document. */
export function pageStyle({ job, hash, state, signature }: Report): string {
  const { asset, order } = job.record ?? {};
  const about = [asset, order].filter(Boolean).join(' · ');
  return sheetsOf({
    about: about || job.title || 'Untitled',
    title: about ? (job.title ?? 'Untitled') : '',
    standing: state === 'signed' ? `Signed by ${signature!.by}` : 'Draft, not signed',
    hash,
  });
}

/** The same of an order. */
export const orderPageStyle = ({ record, hash }: OrderReport): string =>
  sheetsOf({
    about: [record.asset, record.order].filter(Boolean).join(' · '),
    title: '',
    standing: 'Draft, not signed',
    hash,
  });

/** Texts at the edges of each sheet. */
interface Sheets {
  readonly about: string;
  readonly title: string;
  readonly standing: string;
  readonly hash: string;
}

function sheetsOf({ about, title, standing, hash }: Sheets): string {
  const face = `font: 8.5pt 'Atkinson Hyperlegible Next Variable', sans-serif; color: #59626a;`;
  const box = (place: string, content: string): string => `@${place} { ${face} content: ${content}; }`;
  return `@page { size: A4; margin: 20mm 14mm 18mm;
  ${box('top-left', quoted(about))}
  ${box('top-center', quoted(title))}
  ${box('top-right', `"Page " counter(page) " of " counter(pages)`)}
  ${box('bottom-left', quoted(standing))}
  ${box('bottom-right', quoted(`Document ${hash.slice(0, 16)}`))}
}`;
}

/** Returns a text as a CSS string; nothing in it can end the style that contains it. */
const quoted = (text: string): string =>
  `"${[...text].map((c) => (/[\p{L}\p{N} .,·–-]/u.test(c) ? c : `\\${c.codePointAt(0)!.toString(16)} `)).join('')}"`;
