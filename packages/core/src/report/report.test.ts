import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { builtInKit, instrumentForJob, type Instrument } from '../instrument/index.ts';
import { compareJob, explanationsOfJob, floatLevelDivider, type Job } from '../job/index.ts';
import { ownMeter, setupOf, type Reading } from '../readings/index.ts';
import { solveUnloaded, measurementPointOf } from '../loading/index.ts';
import { read } from '../test/read-line.ts';
import { documentHash } from './document-hash.ts';
import { idsInWords } from './ids-in-words.ts';
import { reportSections } from './report-sections.ts';
import { makeReport, type Report, type ReportExtras } from './report.ts';
import type { Signature } from './signature.ts';

const divider = floatLevelDivider(builtInKit.map(instrumentForJob));

function reported(job: Job, extras?: ReportExtras): Report {
  const made = makeReport(job, extras);
  if (!made.ok) throw new Error(made.fault.message);
  return made.value;
}

const signature = (job: Job, more: Partial<Signature> = {}): Signature => ({
  hash: documentHash(job),
  by: 'J. Marsh',
  at: '2026-11-24T16:02:00.000Z',
  sections: ['result', 'readings', 'restoring'],
  restored: ['Supply off'],
  kit: { 'digital-2000': { assetTag: 'SL-207', calibratedOn: '2026-03-02', calibrationMonths: 12 } },
  ...more,
});

test('the hash is SHA-256 of the canonical JSON: keys in order, no white space', () => {
  const text = '{"a":[1,0.1,1e+21,"Ω"],"b":{"x":null,"y":true}}';
  const expected = createHash('sha256').update(text, 'utf8').digest('hex');
  expect(documentHash({ b: { y: true, x: null }, a: [1, 0.1, 1e21, 'Ω'] })).toBe(expected);
});

test('the order of keys does not change the hash, any value does', () => {
  fc.assert(
    fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (document) => {
      const turned = Object.fromEntries(Object.entries(document).reverse());
      expect(documentHash(turned)).toBe(documentHash(document));
      expect(documentHash({ ...document, one: 'more, and not in it' })).not.toBe(documentHash(document));
      // Written out and read again it is the same document.
      expect(documentHash(JSON.parse(JSON.stringify(document)) as object)).toBe(documentHash(document));
    }),
  );
});

test('the result counts the readings by verdict, names what does not agree, and what was struck out', () => {
  const { result } = reported(divider);
  expect(result[0]).toBe(
    "8 readings, and 1 struck out: 6 agree with the expected value, 1 is within the parts' tolerances, 1 does not agree (M8).",
  );
  expect(result).toContain('Largest loading error: −42.6\u00a0% (−2.71\u00a0V) at M7, Voltage B to 0.');
});

test('loading is told in words, with the resistances it comes from', () => {
  const { loading } = reported(divider);
  const m7 = divider.readings!.find(({ id }) => id === 'M7')!;
  const unloaded = solveUnloaded(divider.network);
  if (!unloaded.ok || m7.quantity === 'resistance') throw new Error('no network');
  const point = measurementPointOf(unloaded.value, divider.instruments!, setupOf(m7), ownMeter);
  // Seen from B and 0: 56 kΩ and 1.8 Ω, 39 kΩ, and 15 kΩ with 27 kΩ, in parallel.
  const behind = 1 / (1 / 56_001.8 + 1 / 39_000 + 1 / 42_000);
  expect(point.ok && point.value.sourceResistance).toBeCloseTo(behind, 6);
  expect(loading[0]).toMatch(
    /^M7, Voltage B to 0, read with Old analogue multimeter.*has 20\skΩ, across a source resistance of 14\.86\skΩ/,
  );
  expect(loading[0]).toContain('so it indicates 42.6\u00a0% less: 3.653\u00a0V where 6.367\u00a0V is true.');
  expect(loading[0]).toContain('the meter explains it');
  expect(loading.at(-1)).toBe('M4, M6, M8: the loading error is smaller than the uncertainty of the reading, U.');
});

test('a corrected value comes with the uncertainty that the comparison gives it', () => {
  const compared = compareJob(divider);
  if (!compared.ok) throw new Error(compared.fault.message);
  const m7 = reported(divider).readings.find(({ reading }) => reading.id === 'M7')!;
  expect(m7.compared!.correctedUncertainty).toBe(compared.value.readings.M7!.correctedUncertainty);
  // The tolerances of the divider's parts move the correction: more than the reading's own U carried over.
  const { uncertainty, true: truth, expected } = m7.compared!;
  expect(m7.compared!.correctedUncertainty).toBeGreaterThan((uncertainty! * truth!) / expected!);
  expect(reported(divider).readings.find(({ reading }) => reading.struck)!.compared).toBeNull();
});

test('what explains a reading that does not agree is told once it has been worked out', () => {
  expect(reported(divider).diagnosis).toEqual(['M8 does not agree. What explains it was not worked out.']);
  const explained = explanationsOfJob(divider);
  const told = reported(divider, { explanations: explained.ok ? explained.value : null }).diagnosis;
  expect(told[1]).toMatch(/^Two digits of M8 were exchanged: the display was 4\.07 \(fits well, misfit 0\.\d\d\)\./);
  const sound = { ...divider, readings: divider.readings!.filter(({ id }) => id !== 'M8') };
  expect(reported(sound).diagnosis).toEqual([
    'Every reading that can be compared agrees: no fault is needed to explain them.',
  ]);
});

describe('calibration on the day of the reading', () => {
  const on = (notes: object, job: Job = divider) =>
    reported(job, { kit: { 'digital-2000': notes } }).instruments.find(({ id }) => id === 'digital-2000')!;

  test('in calibration, with the dates', () => {
    const found = on({ assetTag: 'SL-207', calibratedOn: '2025-11-20', calibrationMonths: 12 });
    expect(found).toMatchObject({ assetTag: 'SL-207', calibration: 'in-calibration' });
    expect(found.sentence).toBe(
      'In calibration on the day of its readings (2026-11-16): calibrated on 2025-11-20, due on 2026-11-20.',
    );
  });

  test('the certificate and who issued it', () => {
    const dates = { calibratedOn: '2025-11-20', calibrationMonths: 12 };
    const both = { ...dates, laboratory: 'Saltmarsh standards room', certificateNumber: 'SL-C-0731' };
    expect(on(both).sentence).toMatch(/2026-11-20\. Certificate SL-C-0731 by Saltmarsh standards room\.$/);
    expect(on({ ...dates, certificateNumber: 'SL-C-0731' }).sentence).toMatch(/2026-11-20\. Certificate SL-C-0731\.$/);
  });

  test('overdue is said, with the readings it is about, also in the result', () => {
    const kit = { 'digital-2000': { assetTag: 'SL-207', calibratedOn: '2025-11-01', calibrationMonths: 12 } };
    const { instruments, result } = reported(divider, { kit });
    expect(instruments[0]!.calibration).toBe('overdue');
    expect(instruments[0]!.sentence).toBe(
      'Overdue for calibration on the day of M1 to M6, M8, M9 (2026-11-16): calibrated on 2025-11-01, due on 2026-11-01. No calibration covers these readings.',
    );
    expect(result).toContain(
      'Handheld digital multimeter, 10 MΩ (SL-207) was overdue for calibration when M1 to M6, M8, M9 were taken.',
    );
  });

  test('calibrated only afterwards: how it stood is not on record', () => {
    expect(on({ calibratedOn: '2026-11-20', calibrationMonths: 12 })).toMatchObject({
      calibration: 'later',
      sentence: expect.stringMatching(/^Calibrated only after M1 to M6, M8, M9 \(2026-11-16\)/),
    });
  });

  test('not noted, or without an interval: nobody knows', () => {
    expect(on({})).toMatchObject({ calibration: 'unknown', sentence: 'No calibration is noted.', assetTag: null });
    expect(on({ calibratedOn: '2026-11-01' }).sentence).toBe('Calibrated on 2026-11-01; no interval is noted.');
  });

  test('the worst of several days counts, with its own readings', () => {
    const [first, ...rest] = divider.readings!;
    const later = { ...first!, observations: [{ ...first!.observations[0]!, at: '2026-12-05T10:00:00Z' }] } as Reading;
    const found = on({ calibratedOn: '2025-11-30', calibrationMonths: 12 }, { ...divider, readings: [later, ...rest] });
    expect(found.calibration).toBe('overdue');
    expect(found.sentence).toMatch(/^Overdue for calibration on the day of M1 \(2026-12-05\)/);
  });

  test('a certificate of a range is named, and what it took off the reading', () => {
    const calibration = { on: '2026-03-02', points: [{ applied: 6, indicated: 6.02 }], uncertainty: 0.004 };
    const certified: Instrument[] = divider.instruments!.map((one) => ({
      ...one,
      functions: one.functions!.map((f) =>
        f.quantity === 'dc-voltage' && one.id === 'digital-2000'
          ? { ...f, ranges: f.ranges.map((range) => (range.id === '20 V' ? { ...range, calibration } : range)) }
          : f,
      ),
    }));
    const report = reported({ ...divider, instruments: certified });
    const m6 = report.readings.find(({ reading }) => reading.id === 'M6')!;
    expect(m6.ownError).toBeCloseTo(0.02, 12);
    expect(m6.compared!.value).toBeCloseTo(6.35, 12);
    expect(report.instruments[0]!.sentence).toBe('No calibration is noted. Certificate of its ranges: 2026-03-02.');
    expect(report.instruments[0]!.ranges.find(({ id }) => id === '20 V')!.accuracy).toBe(
      'own error taken off by the certificate of 2026-03-02 (1 point, U = 4\u00a0mV, k = 2)',
    );
  });
});

test('a day that is none is not taken for one in calibration', () => {
  const kit = { 'digital-2000': { calibratedOn: '2025-11-20', calibrationMonths: 12 } };
  const at = (when: string) =>
    divider.readings!.map((one) => ({ ...one, observations: [{ ...one.observations[0]!, at: when }] }));
  const { record: _head, ...headless } = divider;
  const unknown = reported({ ...headless, readings: at('this morning') }, { kit }).instruments[0]!;
  expect(unknown.calibration).toBe('unknown');
  expect(unknown.sentence).toBe('Calibrated on 2025-11-20; the day of its readings is not known.');
  // The job's own day is used instead.
  expect(reported({ ...divider, readings: at('this morning') }, { kit }).readings[0]!.day).toBe(divider.record!.date);
});

test('a source is read across its terminals, whichever lead is where, and loaded or not', () => {
  expect(reported(divider).supplies[0]!.readings).toEqual(['M4']);
  const turned = divider.readings!.map((one) =>
    one.quantity === 'dc-voltage' && one.id === 'M4' ? { ...one, red: '0', black: 'A' } : one,
  );
  expect(reported({ ...divider, readings: turned }).supplies[0]!.readings).toEqual(['M4']);
  const open = divider.readings!.map((one) =>
    one.quantity === 'dc-voltage' && one.id === 'M4' ? { ...one, unloaded: 'E1' } : one,
  );
  expect(reported({ ...divider, readings: open }).supplies[0]!.readings).toEqual(['M4']);
});

describe('signing', () => {
  test('a signed document keeps the sections, ticks and kit of its signature', () => {
    const report = reported(divider, {
      signature: signature(divider),
      sections: ['drawing'],
      restored: [],
      kit: { 'digital-2000': { assetTag: 'SL-999' } },
    });
    expect(report.state).toBe('signed');
    expect(report.sections).toEqual(['result', 'readings', 'restoring']);
    expect(report.restoring.filter(({ done }) => done).map(({ text }) => text)).toEqual(['Supply off']);
    expect(report.instruments[0]!.assetTag).toBe('SL-207');
  });

  test('any edit makes a new draft that says so; the same again is signed again', () => {
    const edited = { ...divider, title: 'Another title' };
    const draft = reported(edited, { signature: signature(divider), sections: ['drawing'] });
    expect(draft).toMatchObject({ state: 'changed', sections: ['drawing'] });
    expect(draft.hash).not.toBe(signature(divider).hash);
    expect(reported({ ...edited, title: divider.title! }, { signature: signature(divider) }).state).toBe('signed');
    expect(reported(divider).state).toBe('draft');
  });
});

test('sections stand in their own order, whatever the order they were asked in', () => {
  expect(reported(divider, { sections: ['sums', 'result', 'drawing'] }).sections).toEqual([
    'result',
    'drawing',
    'sums',
  ]);
  expect(reported(divider).sections).toEqual(reportSections);
});

test('each break that was read in is closed in the check list, once', () => {
  const amperes = (id: string): Reading => ({
    id,
    quantity: 'dc-current',
    instrument: 'digital-2000',
    range: '2 mA',
    node: 'A',
    ends: ['R1.from'],
    observations: [{ shown: '0.315', unit: 'mA' }],
  });
  const texts = reported({ ...divider, readings: [amperes('A1'), amperes('A2')] }).restoring.map(({ text }) => text);
  expect(texts).toContain('Break closed: R1 joined to A again');
  expect(texts).toHaveLength(5);
  expect(reported({ ...divider, readings: [] }).restoring.map(({ text }) => text)).toContain('Every break closed');
});

test('cautions of the circuit, of the set-ups and of the steps that were read stand once each', () => {
  const { cautions } = reported(divider);
  expect(cautions).toContain('An ammeter is a near short: never across a supply or a live conductor.');
  expect(new Set(cautions).size).toBe(cautions.length);
  const opening = 'Supply off before opening; on again when the meter is in.';
  expect(cautions).toContain(opening);
  const across = {
    ...divider,
    setups: [],
    readings: divider.readings!.filter(({ quantity }) => quantity === 'dc-voltage'),
  };
  expect(reported(across).cautions).not.toContain(opening);
  const high = reported({ ...divider, readings: [], setups: [], network: read('E1 120V: R1 10k + R2 10k') });
  expect(high.cautions[0]).toMatch(/it can kill.*Local codes and licensed practice decide/);
  expect(reported({ ...divider, readings: [], setups: [] }).cautions).toEqual([]);
});

test('a job without readings, title, head or kit has a report too', () => {
  const bare: Job = { format: 'usual-drag/job', version: 1, network: read('J1 12.8mA: R1 250 + R2 1k') };
  const report = reported(bare);
  expect(report.result).toEqual(['Nothing has been read.']);
  expect(report.instruments).toEqual([]);
  expect(report.loading).toEqual([]);
  expect(report.diagnosis).toEqual(['There is no reading to explain.']);
  expect(report.supplies[0]).toMatchObject({ id: 'J1', readings: [] });
});

test('an instrument that says nothing of its accuracy is said to say nothing', () => {
  const [instrument] = divider.instruments!;
  const bare = {
    ...instrument!,
    display: 'digital' as const,
    functions: [
      {
        quantity: 'dc-voltage' as const,
        ranges: [{ id: '20 V', fullScale: 19.99, resistance: 1e7, resolution: 0.01 }],
      },
    ],
  };
  const readings = divider.readings!.filter(({ id }) => id === 'M6');
  const { instruments } = reported({
    ...divider,
    setups: [],
    instruments: [{ ...bare, id: readings[0]!.instrument }],
    readings,
  });
  expect(instruments[0]!.ranges[0]!.accuracy).toBe('accuracy not stated, last digit 10\u00a0mV');
});

test('a reading from the simulated bench is said to be none of a circuit', () => {
  const readings = divider.readings!.map((one) => (one.id === 'M6' ? { ...one, note: 'simulated bench' } : one));
  expect(reported({ ...divider, readings }).result).toContain(
    'M6: taken from the simulated bench, not from a circuit.',
  );
  const sent = divider.readings!.map((one) =>
    one.id === 'M6'
      ? { ...one, source: 'instrument' as const, note: 'Usual Drag,Simulated multimeter,SIM-1,1.0' }
      : one,
  );
  expect(reported({ ...divider, readings: sent }).result.at(-1)).toMatch(/^M6: taken from the simulated bench/);
});

test('a job that cannot be worked out gives its fault', () => {
  const made = makeReport({ ...divider, setups: [], readings: [], network: read('E1 5V: R1 1k') });
  expect(made.ok).toBe(true);
  const broken = makeReport({
    format: 'usual-drag/job',
    version: 1,
    network: { elements: [{ id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: -1 }] },
  });
  expect(broken).toMatchObject({ ok: false, fault: { code: 'invalid-value', where: ['R1'] } });
});

test.each([
  [['M1', 'M2', 'M3', 'M5'], 'M1 to M3, M5'],
  [['M9', 'M10'], 'M9, M10'],
  [['M9', 'M10', 'M11'], 'M9 to M11'],
  [['trunk', 'V1', 'V2'], 'trunk, V1, V2'],
  [[], ''],
])('%j in words', (ids, words) => expect(idsInWords(ids)).toBe(words));

test('the set-ups are listed with the loading error that the screen shows', () => {
  const { setups } = reported(divider);
  expect(setups[0]).toMatchObject({
    setup: 'S-1',
    meter: 'V1',
    place: 'B to 0',
    indicated: '3.653\u00a0V',
    truth: '6.367\u00a0V',
    share: '−42.6\u00a0%',
  });
  expect(setups).toHaveLength(divider.setups!.reduce((sum, { meters }) => sum + meters.length, 0));
});

test('a resistance that was read out of circuit fills the measured value of its part', () => {
  const elements = divider.network.elements.map((one) => {
    const { measuredResistance: _own, ...rest } = one as typeof one & { measuredResistance?: number };
    return rest;
  });
  const unmeasured = { ...divider, network: { ...divider.network, elements } };
  const part = (job: Job) => reported(job).parts.find(({ id }) => id === 'R1')!;
  // M1 reads 56.3 kΩ for 56 kΩ: 0.54 % high, within 1 %.
  expect(part(unmeasured)).toMatchObject({ measured: '56.3\u00a0kΩ', off: '+0.54\u00a0%', within: true });
  // A measured value of its own counts before the reading.
  expect(part(divider).measured).toBe('56.21\u00a0kΩ');
});
