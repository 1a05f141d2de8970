import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { newJob } from '@usual-drag/core/job';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { checksOf, schemas } from './dto/checks.ts';
import { CreateJobDto, requestSchemas, SaveJobDto } from './dto/index.ts';
import { checkDraft, checkJob, readJob } from './read-job.ts';

const resistor = { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 100 };
const voltage = (more: object): object => ({
  id: 'M1',
  quantity: 'dc-voltage',
  instrument: 'm',
  range: 'r',
  red: 'A',
  black: '0',
  observations: [{ shown: '6.37', unit: 'V' }],
  ...more,
});
const job = (elements: unknown, more: object = {}): unknown => ({
  format: 'usual-drag/job',
  version: 1,
  network: { elements },
  ...more,
});

test.each(Object.entries(schemas()))('the published schema of a %s is the one that the classes make', (name, made) => {
  const file = join(__dirname, `../../../docs/schema/${name}.schema.json`);
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(made);
});

test('the checks are those of the classes as they are now', () => {
  const written = (name: string): string => readFileSync(join(__dirname, `schema/${name}.generated.ts`), 'utf8');
  expect(written('first-fault')).toBe(checksOf({ allErrors: false }));
  expect(written('all-faults')).toBe(checksOf({ allErrors: true }));
});

test('a job of every kind of element and meter reads in as it was written', () => {
  const whole = {
    ...newJob('Whole'),
    version: 2,
    record: {
      site: 'Saltmarsh Lift Station',
      asset: 'SL-114',
      order: 'SL-WO-2231',
      by: 'the late shift',
      date: '2026-11-24',
      ambient: 21.5,
      notes: 'Float stuck at the top.',
    },
    network: {
      reference: '0',
      values: 'measured',
      elements: [
        {
          id: 'E1',
          kind: 'source',
          from: 'A',
          to: '0',
          emf: -24,
          internalResistance: 0,
          cellsInSeries: 2,
          cellsInParallel: 3,
          currentLimit: 0.5,
          ceiling: 30,
          channel: 'CH2',
        },
        { ...resistor, tolerance: 0.01, powerRating: 0.25, measuredResistance: 101, label: 'top', bodyLabel: '101' },
        {
          id: 'J1',
          kind: 'current-source',
          from: 'A',
          to: '0',
          current: -0.0128,
          compliance: 22,
          ceiling: 0.02,
          channel: '1',
        },
        {
          id: 'L1',
          kind: 'load',
          from: 'A',
          to: '0',
          ratedVoltage: 12,
          ratedCurrent: 0.35,
          polarised: false,
          label: 'lamp',
        },
        { id: 'S1', kind: 'switch', from: 'A', to: 'A', closed: true, momentary: true },
        { id: 'W-1_b', kind: 'link', from: 'A', to: 'B' },
      ],
    },
    instruments: [
      {
        id: 'any text, 20 kΩ/V',
        name: 'x',
        display: 'analogue',
        functions: [
          {
            quantity: 'dc-voltage',
            ranges: [{ id: '10 V', fullScale: 10, resistance: 2e5, accuracyOfRange: 0.02, divisions: 50 }],
          },
          {
            quantity: 'dc-current',
            ranges: [
              {
                id: '1 A',
                fullScale: 1,
                resistance: 0,
                jack: 'mA',
                fuse: 0.5,
                resolution: 0.01,
                accuracyOfReading: 0.005,
                accuracyCounts: 2,
                calibration: {
                  on: '2026-03-02',
                  points: [{ applied: 1, indicated: 1.002 }],
                  uncertainty: 0.0004,
                },
              },
            ],
          },
          {
            quantity: 'resistance',
            ranges: [{ id: '2 kΩ', fullScale: 1999, testCurrent: 1e-4, resolution: 1, accuracyOfReading: 0.008 }],
          },
        ],
        rates: [{ id: 'slow', counts: 0 }],
      },
    ],
    setups: [
      {
        id: 'S-1',
        meters: [
          { id: 'V1', instrument: 'any text, 20 kΩ/V', quantity: 'dc-voltage', range: '10 V', red: 'A', black: '0' },
          {
            id: 'A1',
            instrument: 'any text, 20 kΩ/V',
            quantity: 'dc-current',
            range: '1 A',
            node: 'A',
            ends: ['R1.from'],
            reversed: true,
          },
        ],
      },
    ],
    conventions: {
      sign: 'magnitude',
      observations: 'last',
      current: 'electron-flow',
      firstRange: 'expected',
      currentLimit: 'full',
      supply: 'posts',
      checks: 'leads-function-range-placement',
    },
    readings: [
      {
        ...voltage({ scale: '50 V', rate: 'slow', by: 'the late shift', note: 'steady', source: 'typed' }),
        alongside: [
          { id: 'V1', instrument: 'x', quantity: 'dc-voltage', range: '10 V', red: 'A', black: '0' },
          { id: 'A1', instrument: 'x', quantity: 'dc-current', range: '1 A', node: 'A', ends: ['R1.from'] },
        ],
        struck: { at: '2026-11-24T09:14:05Z', why: 'lead was on C' },
      },
      {
        id: 'M2',
        quantity: 'dc-current',
        instrument: 'gone',
        range: 'gone',
        node: 'nowhere',
        ends: ['R9.from'],
        reversed: true,
        observations: [
          { shown: '-0.38', unit: 'µA', at: '2026-11-24T09:14:05Z' },
          { shown: 'OL', unit: 'A' },
        ],
      },
      {
        id: 'M3',
        quantity: 'resistance',
        instrument: 'x',
        range: '2 kΩ',
        element: 'R1',
        observations: [{ shown: '0.101', unit: 'kΩ' }],
        source: 'instrument',
      },
    ],
  };
  expect(readJob(JSON.stringify(whole))).toEqual({ ok: true, value: whole });
});

const refusal = (value: unknown): string => {
  const checked = checkJob(value);
  return checked.ok ? 'taken' : `${checked.fault[0]!.code} ${checked.fault[0]!.where.join(' ')}`;
};

test.each([
  ['no object', [], 'invalid-file '],
  ['nothing in it', {}, 'invalid-file format'],
  ['another format', { ...(job([resistor]) as object), format: 'x' }, 'invalid-file format'],
  ['a version to come', { ...(job([resistor]) as object), version: 4 }, 'invalid-file version'],
  ['a head in version 1', job([resistor], { record: { asset: 'SL-114' } }), 'invalid-file record'],
  ['readings in version 1', job([resistor], { readings: [] }), 'invalid-file readings'],
  [
    'a label on the body in version 1',
    job([{ ...resistor, bodyLabel: '563' }]),
    'invalid-file network.elements[0].bodyLabel',
  ],
  [
    'a display that is none',
    job([resistor], { version: 2, readings: [voltage({ observations: [{ shown: '6,37', unit: 'V' }] })] }),
    'invalid-value M1',
  ],
  [
    'a reading without its black lead',
    job([resistor], { version: 2, readings: [voltage({ black: undefined })] }),
    'invalid-file readings[0].black',
  ],
  [
    'a convention that nobody has',
    job([resistor], { version: 2, conventions: { sign: 'never' } }),
    'invalid-file conventions.sign',
  ],
  [
    'a voltage in amperes',
    job([resistor], { version: 2, readings: [voltage({ observations: [{ shown: '1', unit: 'mA' }] })] }),
    'invalid-value M1',
  ],
  ['an unknown key of the head', job([resistor], { version: 2, record: { plant: 'x' } }), 'invalid-file record.plant'],
  ['a warmth in words', job([resistor], { version: 2, record: { ambient: '21 °C' } }), 'invalid-file record.ambient'],
  ['an unknown key at the top', job([resistor], { colour: 1 }), 'invalid-file colour'],
  [
    'an unknown key of an element',
    job([{ ...resistor, resistence: 5 }]),
    'invalid-file network.elements[0].resistence',
  ],
  ['a key of another kind', job([{ ...resistor, emf: 5 }]), 'invalid-file network.elements[0].emf'],
  [
    'a missing key',
    job([{ id: 'R1', kind: 'resistor', from: 'A', to: '0' }]),
    'invalid-file network.elements[0].resistance',
  ],
  ['an unknown kind', job([{ ...resistor, kind: 'capacitor' }]), 'invalid-file network.elements[0].kind'],
  ['text for a number', job([{ ...resistor, resistance: '100' }]), 'invalid-file network.elements[0].resistance'],
  [
    'null for what may be left out',
    job([{ ...resistor, tolerance: null }]),
    'invalid-file network.elements[0].tolerance',
  ],
  ['null for an element', job([null]), 'invalid-file network.elements[0]'],
  ['a list for an element', job([[]]), 'invalid-file network.elements[0]'],
  ['no list of elements', job({ length: 1 }), 'invalid-file network.elements'],
  ['no elements', job([]), 'invalid-value network.elements'],
  ['a negative resistance', job([{ ...resistor, resistance: -1 }]), 'invalid-value R1'],
  ['zero ohms', job([{ ...resistor, resistance: 0 }]), 'invalid-value R1'],
  [
    'half a cell',
    job([{ id: 'E1', kind: 'source', from: 'A', to: '0', emf: 1, cellsInSeries: 1.5 }]),
    'invalid-value E1',
  ],
  ['a name with a space', job([{ ...resistor, id: 'R 1' }]), 'invalid-value R 1'],
  ['a name twice', job([resistor, resistor]), 'duplicate-id R1'],
  [
    'a reference that is not there',
    { ...(job([resistor]) as object), network: { elements: [resistor], reference: 'Q' } },
    'unknown-node Q',
  ],
])('refuses %s', (_, value, wanted) => {
  expect(refusal(value)).toBe(wanted);
});

test('a fault of the shape comes before one of a value, and all are told', () => {
  const checked = checkJob(
    job([
      { ...resistor, resistance: -1 },
      { ...resistor, id: 'R2', extra: 1 },
    ]),
  );
  expect(!checked.ok && checked.fault.map((f) => f.path)).toEqual([
    'network.elements[1].extra',
    'network.elements[0].resistance',
  ]);
});

test('keys that JavaScript treats in its own way are unknown keys like others', () => {
  const text = JSON.stringify(job([resistor])).replace('{', '{"__proto__":{"x":1},');
  const read = readJob(text);
  expect(!read.ok && read.fault[0]!.where).toEqual(['__proto__']);
});

test('what is not JSON says so, and a byte order mark does no harm', () => {
  const bad = readJob('{"format":');
  expect(!bad.ok && bad.fault[0]!.code).toBe('invalid-file');
  expect(readJob(`\uFEFF${JSON.stringify(job([resistor]))}`).ok).toBe(true);
});

test('a draft may have a lead on a node that an edit took away, but no name twice', () => {
  const meter = { id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: 'r', red: 'Q', black: '0' };
  const dangling = job([resistor], { setups: [{ id: 'S-1', meters: [meter] }] });
  expect(checkDraft(dangling).ok).toBe(true);
  expect(checkJob(dangling).ok).toBe(false);
  expect(checkDraft(job([resistor, resistor])).ok).toBe(false);
});

test('requests are described with the job that they carry', () => {
  const { SaveJobDto: save } = requestSchemas() as Record<
    string,
    { properties: Record<string, unknown>; required: string[] }
  >;
  expect(save!.properties.document).toEqual({ $ref: '#/components/schemas/JobDto' });
  expect(save!.required).toEqual(expect.arrayContaining(['revision', 'document']));
});

test.each([
  [CreateJobDto, { document: {} }, 0],
  [CreateJobDto, { document: 5 }, 1],
  [SaveJobDto, { document: {}, revision: 3 }, 0],
  [SaveJobDto, { document: {}, revision: '3' }, 1],
  [SaveJobDto, { document: {}, revision: 0 }, 1],
  [SaveJobDto, { document: {}, revision: 1, more: 1 }, 1],
])('the request %p checks %j', (dto, body, faults) => {
  const instance = plainToInstance(dto, body) as object;
  expect(validateSync(instance, { whitelist: true, forbidNonWhitelisted: true })).toHaveLength(faults);
});

test('a strip board is a key of version 3; its holes are checked one by one', () => {
  const board = {
    rows: 30,
    splitRails: true,
    parts: [{ id: 'R1', from: '5a', to: '9L-' }],
    wires: [{ from: '9R+', to: '30j' }],
  };
  const read = (more: object, version = 3) =>
    checkJob({ ...(job([resistor]) as object), version, board: { ...board, ...more } });
  expect(read({})).toMatchObject({ ok: true, value: { board } });
  expect(read({}, 2)).toMatchObject({ ok: false, fault: [{ code: 'invalid-file', path: 'board' }] });
  const faults = (more: object): string[] => {
    const result = read(more);
    return result.ok ? [] : result.fault.map(({ code, path, message }) => `${code} ${path}: ${message}`);
  };
  expect(faults({ wires: [{ from: '5k', to: '5b' }] })).toEqual([
    expect.stringMatching(/^invalid-value board\.wires\[0\]\.from: .*must be a hole such as 5a, or 5L\+ of a rail/),
  ]);
  expect(faults({ rows: 5 })).toEqual([expect.stringMatching(/^invalid-value board\.rows: .*must be 10 or more/)]);
  expect(faults({ splitRails: false })).toEqual([expect.stringMatching(/^invalid-file board\.splitRails/)]);
  expect(faults({ colour: 'white' })).toEqual([expect.stringMatching(/^invalid-file board\.colour/)]);
  expect(faults({ parts: [{ id: 'R1', from: '31a' }] })).toEqual([
    expect.stringMatching(/^invalid-value board: The board has no hole 31a/),
  ]);
});
