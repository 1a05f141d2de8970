import { builtInKit, instrumentForJob } from '@usual-drag/core/instrument';
import { explanationsOfJob, floatLevelDivider, type Job } from '@usual-drag/core/job';
import {
  documentHash,
  makeOrderReport,
  makeReport,
  orderHash,
  orderRecordHash,
  orderSignatures,
  reportSections,
  sectionNames,
  type Report,
  type ReportExtras,
  type Signature,
} from '@usual-drag/core/report';
import { orderReportFile, reportFile } from './report-file.tsx';
import { pageStyle } from './report-style.ts';
import { moment } from './times.ts';

const divider = floatLevelDivider(builtInKit.map(instrumentForJob));
const faces = { text: 'VEVYVA==', mono: 'TU9OTw==' };

function reported(job: Job, extras?: ReportExtras): Report {
  const made = makeReport(job, extras);
  if (!made.ok) throw new Error(made.fault.message);
  return made.value;
}
const html = (job: Job = divider, extras?: ReportExtras): string => reportFile(reported(job, extras), 'box', faces);
/** Headings in their order. */
const headings = (text: string): string[] => [...text.matchAll(/<h2>([^<]*)<\/h2>/g)].map(([, name]) => name!);

test('one file that asks for nothing: no script, no address, faces and drawing inside', () => {
  const text = html();
  expect(text).toMatch(/^<!doctype html>/);
  expect(text).not.toMatch(/<script|<link|<iframe|<img|\son[a-z]+=/i);
  expect(text.replaceAll('http://www.w3.org/2000/svg', '')).not.toMatch(/https?:|url\((?!data:font\/woff2;base64,)/);
  expect(text).toContain('base64,VEVYVA==');
  expect(text).toContain('base64,TU9OTw==');
  // The network, and the faces of the two instruments.
  expect(text.match(/<svg /g)).toHaveLength(3);
});

test('every section stands once, in the order of the report, and those left out do not', () => {
  const all = reportSections.map((section) => sectionNames[section]);
  expect(headings(html())).toEqual([...all, 'What the figures mean', 'Signature']);
  expect(headings(html(divider, { sections: ['sums', 'drawing'] }))).toEqual([
    'Drawing',
    'Sums of the readings',
    'What the figures mean',
    'Signature',
  ]);
});

test('every reading has a row with what was displayed, measured, expected, corrected and its verdict', () => {
  const text = html();
  for (const { id } of divider.readings!) expect(text).toMatch(new RegExp(`<th scope="row">${id}<`));
  const m7 = text.slice(text.indexOf('<th scope="row">M7<'), text.indexOf('<th scope="row">M8<'));
  for (const told of [
    '3.65\u00a0V',
    '± 610\u00a0mV',
    '6.37\u00a0V',
    '−42.6\u00a0%',
    '6.36\u00a0V',
    'agrees',
    'explained by loading',
  ])
    expect(m7).toContain(told);
  const m5 = text.slice(text.indexOf('<th scope="row">M5<'), text.indexOf('<th scope="row">M6<'));
  expect(m5).toMatch(/<s>6\.37\sV<\/s>.*Struck out.*: /);
});

test('what was typed is text, not markup, wherever it stands', () => {
  const evil = '</style><script>alert(1)</script>"\\';
  const job: Job = {
    ...divider,
    title: evil,
    record: { ...divider.record, asset: evil, order: evil, site: evil, notes: evil, by: evil },
    readings: divider.readings!.map((one) => ({ ...one, note: evil, by: evil })),
  };
  const text = html(job, {
    signature: { hash: documentHash(job), by: evil, at: 'soon', sections: reportSections, restored: [], kit: {} },
  });
  expect(text).not.toMatch(/<script/i);
  expect(text.match(/<\/style>/g)).toHaveLength(1);
});

test('each page says whose record it is, which page of how many, and which document', () => {
  const report = reported({ ...divider, record: { asset: 'SL-014', order: 'SL-WO-2207' } });
  const style = pageStyle(report);
  expect(style).toContain('size: A4');
  expect(style).toContain('"SL-014 · SL-WO-2207"');
  expect(style).toContain('"Page " counter(page) " of " counter(pages)');
  expect(style).toContain(`"Document ${report.hash.slice(0, 16)}"`);
  expect(style).toContain('"Draft, not signed"');
  const { record: _head, ...bare } = divider;
  expect(pageStyle(reported({ ...bare, title: 'Only "a" title' }))).toContain('"Only \\22 a\\22  title"');
});

test('a draft, a signed record and a new draft after signing say what they are', () => {
  const signature = {
    hash: documentHash(divider),
    by: 'J. Marsh',
    at: '2026-11-24T16:02:31.000Z',
    sections: reportSections,
    restored: ['Supply off'],
    kit: {},
  };
  expect(html()).toContain('Draft: this record has not been signed.');
  const signed = html(divider, { signature });
  expect(signed).toContain('Signed by <b>J. Marsh</b> on 2026-11-24 16:02 UTC.');
  expect(signed).toContain(documentHash(divider));
  expect(signed).toMatch(/<li class="done">Supply off/);
  const changed = html({ ...divider, title: 'Edited' }, { signature });
  expect(changed).toContain('New draft.');
  expect(changed).toContain(`The signed document is <span class="figures">${signature.hash.slice(0, 16)}</span>`);
  expect(changed).toContain('Draft, not signed');
});

test('instruments, calibration and diagnosis are named', () => {
  const explained = explanationsOfJob(divider);
  const text = html(divider, {
    kit: { 'digital-2000': { assetTag: 'SL-207', calibratedOn: '2025-11-01', calibrationMonths: 12 } },
    explanations: explained.ok ? explained.value : null,
  });
  expect(text).toContain('asset SL-207');
  expect(text).toContain('Overdue for calibration on the day of M1 to M6, M8, M9');
  expect(text).toContain('Two digits of M8 were exchanged: the display was 4.07');
  // The matrix: M8 is far from what the fault-free circuit predicts, and from nothing that the exchange predicts.
  const rows = text.slice(text.indexOf('Reading − prediction')).split('<tr>');
  expect(rows.find((row) => row.includes('No fault'))).toContain('aria-label="+6.7 u"');
  expect(rows.find((row) => row.includes('Two digits of M8'))).not.toContain('<text');
});

test('a moment is written the same everywhere; what is none stays', () => {
  expect(moment('2026-11-24T23:59:59Z')).toBe('2026-11-24 23:59 UTC');
  expect(moment('2026-11-25T00:30:00+01:00')).toBe('2026-11-24 23:30 UTC');
  expect(moment('this morning')).toBe('this morning');
});

test('an order has its details, parts and instruments once, and the sections of each circuit', () => {
  const second: Job = { ...divider, title: 'The same again', record: { ...divider.record!, notes: 'after cleaning' } };
  const made = makeOrderReport([divider, second], { kit: { 'digital-2000': { assetTag: 'SL-207' } } });
  if (!made.ok) throw new Error(made.fault.message);
  const text = orderReportFile(made.value, 'box', faces);
  expect(text).not.toMatch(/<script|<link|<iframe|<img|\son[a-z]+=/i);
  expect([...text.matchAll(/<h1>([^<]*)<\/h1>/g)].map(([, name]) => name)).toEqual([
    `Order ${divider.record!.order}`,
    `1 ${divider.title}`,
    '2 The same again',
  ]);
  const counts = (name: string): number => headings(text).filter((one) => one === name).length;
  for (const once of ['Circuits', 'Parts, from every circuit', sectionNames.instruments, sectionNames.restoring])
    expect([once, counts(once)]).toEqual([once, 1]);
  for (const each of ['result', 'drawing', 'readings', 'diagnosis'] as const)
    expect([each, counts(sectionNames[each])]).toEqual([each, 2]);
  expect(counts(sectionNames.parts)).toBe(0);
  // Two networks; the faces of two instruments once.
  expect(text.match(/<svg /g)).toHaveLength(4);
  // Notes are of one circuit; readings are named by their circuit where both are meant.
  expect(text.match(/after cleaning/g)).toHaveLength(1);
  expect(text).toContain('2:M1');
  expect(made.value.hash).toBe(documentHash([documentHash(divider), documentHash(second)]));
  expect(text).toContain(made.value.hash);
  expect(makeOrderReport([second, divider])).toMatchObject({
    ok: true,
    value: { hash: expect.not.stringMatching(made.value.hash) as string },
  });
});

test('a circuit that cannot be solved is named, and nothing is reported', () => {
  const broken: Job = { ...divider, network: { elements: [{ id: 'E1', kind: 'source', from: 'A', to: 'A', emf: 9 }] } };
  expect(makeOrderReport([divider, broken])).toMatchObject({ ok: false });
});

test('a signed order names its signer, and each circuit its place; an edit of a circuit makes a new draft', () => {
  const jobs: Job[] = [divider, { ...divider, title: 'Another circuit' }];
  const hashes = jobs.map(documentHash);
  const order = { number: 'SL-WO-2240', circuits: hashes };
  const [signature] = orderSignatures(
    hashes.map((hash): Signature => ({
      hash,
      by: 'J. Marsh',
      at: '2026-11-30T09:00:00Z',
      sections: reportSections,
      restored: ['Supply off'],
      kit: {},
      order,
    })),
    'SL-WO-2240',
  );
  const textOf = (circuits: readonly Job[]): string => {
    const made = makeOrderReport(circuits, { signature: signature! });
    if (!made.ok) throw new Error(made.fault.message);
    return orderReportFile(made.value, 'box', faces);
  };
  const signed = textOf(jobs);
  expect(signed).toContain('Signed by <b>J. Marsh</b>');
  expect(signed).toContain(orderHash(hashes));
  expect(signed).toContain(orderRecordHash(signature!));
  expect(signed).toContain('Supply off: done');
  for (const changed of [jobs.slice(0, 1), [...jobs].reverse(), [divider, { ...divider, title: 'Edited' }]]) {
    const text = textOf(changed);
    expect(text).toContain('New draft.');
    expect(text).not.toContain(orderRecordHash(signature!));
  }
  expect(html(jobs[1], { signature: signature!.circuits[1]! })).toContain('as circuit 2 of 2 of order SL-WO-2240');
});
