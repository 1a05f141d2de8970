import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(__dirname, '../../..');
const folder = mkdtempSync(join(tmpdir(), 'usual-drag-cli-'));
const [first, second] = readFileSync(join(root, 'packages/core/vectors/bridge.jsonl'), 'utf8')
  .split('\n')
  .map((line) => (line ? (JSON.parse(line) as { job: object; result: { true: { nodes: object } } }) : null));

const write = (name: string, text: string): string => {
  const file = join(folder, name);
  writeFileSync(file, text);
  return file;
};
const good = write('good.job.json', JSON.stringify(first!.job));
const other = write('other.job.json', JSON.stringify(second!.job, null, 2));
const wheatstone = write(
  'wheatstone.job.json',
  JSON.stringify({
    format: 'usual-drag/job',
    version: 1,
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10, internalResistance: 0.4 },
        ...['AB', 'B0', 'AC', 'C0', 'BC'].map((ends, index) => ({
          id: `R${index + 1}`,
          kind: 'resistor',
          from: ends[0],
          to: ends[1],
          resistance: 100 * (index + 1),
        })),
      ],
    },
  }),
);
const bad = write('bad.job.json', '{"format":"usual-drag/job","version":1,"network":{"elements":[]}}');

interface Printed {
  format?: string;
  error?: { code: string; message: string; where: string[] };
  true: { nodes: object };
}

const run = (args: readonly string[], input = '') =>
  spawnSync(process.execPath, ['scripts/cli.mjs', ...args], { cwd: root, encoding: 'utf8', input });

function cli(args: readonly string[], input = '') {
  const { status, stdout, stderr } = run(args, input);
  return {
    status,
    stderr,
    lines: stdout.split('\n').slice(0, -1),
    results: stdout.trim()
      ? stdout
          .trim()
          .split('\n')
          .map((l) => JSON.parse(l) as Printed)
      : [],
  };
}

test('prints one compact result a line in the order given, and ends with 0', () => {
  const { status, lines, results } = cli(['solve', good, other]);
  expect(status).toBe(0);
  expect(lines).toHaveLength(2);
  expect(results.map((r) => Object.keys(r.true.nodes))).toEqual(
    [first, second].map((vector) => Object.keys(vector!.result.true.nodes)),
  );
  expect(lines[0]).not.toMatch(/[\n\t]| "/);
});

test('an error stands in its place, and the status is 2', () => {
  const { status, results } = cli(['solve', bad, good, join(folder, 'missing.json')]);
  expect(status).toBe(2);
  expect(results.map((r) => r.error?.code ?? r.format)).toEqual(['invalid-value', 'usual-drag/result', 'invalid-file']);
  expect(Object.keys(results[0]!.error!)).toEqual(['code', 'message', 'where']);
});

test('- reads one file from standard input', () => {
  const { status, results } = cli(['solve', '-'], readFileSync(good, 'utf8'));
  expect(status).toBe(0);
  expect(results).toHaveLength(1);
});

test.each([
  [['paint'], 'There is no command paint'],
  [['constructor', good], 'There is no command constructor'],
  [['solve'], 'solve needs the name of a file'],
  [['solve', '--frob', good], "Unknown option '--frob'"],
  [['plan', '--depth', 'deep', good], '--depth must be one of'],
  [['draw', good, '--out', join(folder, 'nowhere', 'x.svg')], 'cannot be written'],
  [['report', good, '--kit', join(folder, 'nowhere.json')], 'cannot be read'],
])('%j is refused in a sentence', (args, words) => {
  const { status, stdout, stderr } = run(args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  expect(stderr).toContain(words);
});

test('--help says how it is used', () => {
  for (const args of [['--help'], ['-h'], ['solve', '--help']]) {
    const { status, stdout, stderr } = run(args);
    expect([status, stderr]).toEqual([0, '']);
    expect(stdout).toMatch(/solve FILE/);
  }
});

test('what is no file of these formats is not read to its end', () => {
  const large = write('large.json', ' '.repeat(5 * 2 ** 20));
  for (const file of [large, '/dev/zero', folder]) {
    const { status, results } = cli(['solve', file, good]);
    expect([status, results[0]!.error!.code, results[1]!.error]).toEqual([2, 'invalid-file', undefined]);
  }
  expect(cli(['solve', '-'], ' '.repeat(5 * 2 ** 20)).results[0]!.error!.message).toContain('more than 4 MB');
});

test('an output that is closed or full is said in a sentence', () => {
  const shell = (command: string) => spawnSync('bash', ['-c', command], { cwd: root, encoding: 'utf8' });
  const many = Array<string>(50).fill(good).join(' ');
  const closed = shell(`set -o pipefail; node scripts/cli.mjs solve ${many} | true`);
  expect([closed.status, closed.stderr.trim()]).toEqual([2, 'The output was closed before all of it was written.']);
  const full = shell(`node scripts/cli.mjs solve ${good} > /dev/full`);
  expect(full.status).toBe(2);
  expect(full.stderr).toMatch(/^The output cannot be written: ENOSPC[^\n]*\n$/);
});

test('the steps of a reduction, down to one resistance', () => {
  const { status, results } = cli(['reduce', wheatstone]);
  expect(status).toBe(0);
  const [told] = results as unknown as [
    {
      steps: { rule: string; parts: string[]; into: { id: string; resistance: number }[]; formula: string }[];
      equivalent: number;
    },
  ];
  expect(told.steps.length).toBeGreaterThan(2);
  expect(told.steps.map((step) => step.rule)).toContain('delta-star');
  for (const step of told.steps) expect(step.formula).not.toBe('');
  expect(told.steps.at(-1)!.into).toHaveLength(1);
  expect(told.steps.at(-1)!.into[0]!.resistance).toBe(told.equivalent);
});

test('a network without a source has nothing to be reduced for', () => {
  const lone = write(
    'lone.job.json',
    JSON.stringify({
      format: 'usual-drag/job',
      version: 1,
      network: { elements: [{ id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 5 }] },
    }),
  );
  const { status, results } = cli(['reduce', lone, bad]);
  expect(status).toBe(2);
  expect(results.map((result) => result.error?.code)).toEqual(['invalid-value', 'invalid-value']);
});

test('the drawing as an SVG file', () => {
  const out = join(folder, 'bridge.svg');
  expect(cli(['draw', wheatstone, '--out', out]).status).toBe(0);
  const svg = readFileSync(out, 'utf8');
  expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
  for (const id of ['E1', 'R1', 'R5']) expect(svg).toContain(`>${id}</text>`);
  expect(svg).not.toMatch(/NaN|undefined|Infinity/);
  expect(cli(['draw', bad]).status).toBe(2);
  expect(cli(['draw', good, '--nonsense']).status).toBe(2);
});

test('designs, their refusals in their place, status 2', () => {
  const design = {
    format: 'usual-drag/design',
    version: 1,
    target: 'ammeter',
    movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
    scheme: 'universal',
    ranges: [2.5, 0.025, 0.25],
    parts: { series: 'E96', tolerance: 0.01, powerRating: 0.25, maxParts: 2 },
  };
  const sound = write('feed.design.json', JSON.stringify(design));
  const low = write('low.design.json', JSON.stringify({ ...design, ranges: [5e-5] }));
  const odd = write('odd.design.json', JSON.stringify({ ...design, colour: 'red' }));
  const { status, lines } = cli(['design', sound, low, odd]);
  expect(status).toBe(2);
  const printed = lines.map((line) => JSON.parse(line) as Printed & { ranges: { resistance: number }[] });
  // R_T = 100 µA · 1.8 kΩ / (25 mA − 100 µA), and its taps.
  expect(printed[0]!.format).toBe('usual-drag/design-result');
  const shunt = 0.18 / 0.0249;
  expect(printed[0]!.ranges[0]!.resistance).toBeCloseTo(shunt, 12);
  expect(printed[0]!.ranges[2]!.resistance).toBeCloseTo((1e-4 * (shunt + 1800)) / 2.5, 14);
  expect(printed[1]!.error!.code).toBe('range-too-low');
  expect(printed[2]!.error).toMatchObject({ code: 'invalid-file', where: ['colour'] });
});

test('readings compared, and a plan of a chosen depth', () => {
  const [line] = readFileSync(join(root, 'packages/core/vectors/compare.jsonl'), 'utf8').split('\n');
  const { job, result } = JSON.parse(line!) as {
    job: object;
    result: { readings: Record<string, { verdict: string }> };
  };
  const file = write('read.job.json', JSON.stringify(job));
  const compared = cli(['compare', file]);
  expect(compared.status).toBe(0);
  const { format, readings } = JSON.parse(compared.lines[0]!) as Printed & typeof result;
  expect(format).toBe('usual-drag/comparison');
  expect(Object.entries(readings).map(([id, { verdict }]) => [id, verdict])).toEqual(
    Object.entries(result.readings).map(([id, { verdict }]) => [id, verdict]),
  );
  const steps = (depth: string): number => {
    const { status, lines } = cli(['plan', '--depth', depth, file]);
    expect(status).toBe(0);
    const plan = JSON.parse(lines[0]!) as Printed & { steps: object[] };
    expect(plan.format).toBe('usual-drag/plan');
    return plan.steps.length;
  };
  expect(steps('least')).toBeLessThan(steps('parts'));
  expect(steps('parts')).toBeLessThan(steps('checks'));
  expect(cli(['plan', '--depth', 'deep', file]).status).toBe(2);
  expect(cli(['compare', bad]).status).toBe(2);
});

test('a worksheet is worked, and one with a key that is no word of the format is refused with its path', () => {
  const sheet = {
    format: 'usual-drag/worksheet',
    version: 1,
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12 },
        { id: 'R1', kind: 'resistor', from: 'A', to: '0' },
      ],
    },
    givens: [{ of: 'R1', quantity: 'power', value: 6 }],
  };
  const { status, results } = cli(['worksheet', '-'], JSON.stringify(sheet));
  expect(status).toBe(0);
  expect(results[0]).toMatchObject({
    format: 'usual-drag/worksheet-result',
    complete: true,
    values: { R1: { voltage: 12, current: 0.5, resistance: 24, power: 6 } },
  });
  const refused = cli(['worksheet', '-'], JSON.stringify({ ...sheet, givens: [{ ...sheet.givens[0], unit: 'W' }] }));
  expect(refused.status).toBe(2);
  expect(refused.results[0]!.error).toMatchObject({ code: 'invalid-file', where: ['givens[0].unit'] });
});

test('a problem is the same again from the same arguments; its answers are marked, a mistake is named', () => {
  const asked = ['practice', '--kind', 'voltmeter', '--level', '2', '--seed', '7'];
  const { status, lines } = cli([...asked, '--solution']);
  expect(status).toBe(0);
  const { solution, ...problem } = JSON.parse(lines[0]!) as {
    readonly solution: Record<string, { readonly value: number }>;
    readonly asks: readonly { readonly id: string }[];
  };
  expect(JSON.parse(cli(asked).lines[0]!)).toEqual(problem);
  const mark = (answers: object) => cli(['mark', '-'], JSON.stringify({ problem, answers }));
  const right = mark({ a: `${solution.a!.value} V`, b: '1 V' });
  expect(right.results[0]).toMatchObject({
    format: 'usual-drag/marking',
    marks: { a: { right: true, slip: null }, b: { right: false, expected: solution.b!.value } },
  });
  const wrong = mark({ a: `${solution.a!.value - solution.b!.value} V` });
  expect(wrong.results[0]).toMatchObject({ marks: { a: { right: false, slip: 'meter-left-out' } } });
  const refused = mark({ z: '1 V' });
  expect(refused.status).toBe(2);
  expect(refused.results[0]!.error).toMatchObject({ code: 'invalid-value', where: ['answers.z'] });
  expect(cli(['practice', '--kind', 'tea']).status).toBe(2);
  expect(cli(['practice', '--kind', 'shunt', '--level', '4']).results[0]!.error).toMatchObject({ where: ['level'] });
});

describe('report', () => {
  const read = write(
    'two-arms.job.json',
    JSON.stringify({
      format: 'usual-drag/job',
      version: 2,
      title: 'Two arms',
      record: { asset: 'SL-014', order: 'SL-WO-2204', date: '2026-11-24' },
      network: {
        elements: [
          { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12 },
          { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 10_000, tolerance: 0.01 },
          { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 10_000, tolerance: 0.01 },
        ],
      },
      instruments: [
        {
          id: 'shop',
          functions: [
            {
              quantity: 'dc-voltage',
              ranges: [{ id: '20 V', fullScale: 19.99, resistance: 95_000, resolution: 0.01 }],
            },
          ],
        },
      ],
      readings: [
        {
          id: 'M1',
          quantity: 'dc-voltage',
          instrument: 'shop',
          range: '20 V',
          red: 'B',
          black: '0',
          observations: [{ shown: '5.70', unit: 'V', at: '2026-11-24T09:14:05Z' }],
        },
      ],
    }),
  );
  const kit = write(
    'shop.kit.json',
    JSON.stringify({
      format: 'usual-drag/kit',
      version: 1,
      instruments: [{ id: 'shop', assetTag: 'SL-207', calibratedOn: '2025-10-01', calibrationMonths: 12 }],
    }),
  );

  test('is written as one HTML file, with the calibration that a kit file says', () => {
    const out = join(folder, 'report.html');
    const made = run(['report', read, '--kit', kit, '--out', out]);
    expect(made.status).toBe(0);
    const html = readFileSync(out, 'utf8');
    const { document, state } = JSON.parse(made.stdout) as { document: string; state: string };
    expect(state).toBe('draft');
    expect(html).toContain(document);
    expect(html).toContain('5.00\u00a0% less: 5.700\u00a0V where 6.000\u00a0V is true');
    expect(html).toMatch(/Overdue for calibration on the day of M1 \(2026-11-24\): calibrated on 2025-10-01/);
    expect(html).not.toMatch(/<script/i);
  });

  test('goes to standard output where no file is named, with the sections that are asked for', () => {
    const made = run(['report', read, '--section', 'readings', '--section', 'result']);
    expect(made.status).toBe(0);
    expect([...made.stdout.matchAll(/<h2>([^<]*)</g)].map(([, name]) => name)).toEqual([
      'Result',
      'Readings',
      'What the figures mean',
      'Signature',
    ]);
  });

  test('of a bad file, with an unknown section or a kit that is none, is an error', () => {
    expect(run(['report', bad]).status).toBe(2);
    const unknown = run(['report', read, '--section', 'tea']);
    expect(unknown.status).toBe(2);
    expect(unknown.stdout).toContain('There is no section tea.');
    expect(run(['report', read, '--kit', read]).status).toBe(2);
    expect(run(['report', read, '--kit', join(folder, 'nowhere.json')]).status).toBe(2);
    expect(run(['report', read, read]).status).toBe(2);
  });

  test('the circuits of an order are one document, hashed over all of them in order', () => {
    const out = join(folder, 'order.html');
    const made = run(['report', '--order', read, good, '--kit', kit, '--out', out]);
    expect([made.status, made.stderr]).toEqual([0, '']);
    const said = JSON.parse(made.stdout) as { document: string; circuits: string[]; state: string };
    expect([said.circuits.length, said.state]).toEqual([2, 'draft']);
    const html = readFileSync(out, 'utf8');
    expect(html).toContain(said.document);
    expect(html).toContain('Parts, from every circuit');
    const turned = run(['report', '--order', good, read, '--out', out]);
    expect((JSON.parse(turned.stdout) as { document: string }).document).not.toBe(said.document);
    expect(run(['report', '--order', read, bad]).status).toBe(2);
    expect(run(['report', '--order', read, '--section', 'result']).status).toBe(2);
    expect(run(['solve', '--order', read]).status).toBe(2);
    expect(run(['report', '--order']).status).toBe(2);
  });
});
