import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { explanationMatrix } from './explanation-matrix.ts';
import { diagnose } from './diagnose.ts';
import type { DiagnosedJob } from './diagnosed-job.ts';
import type { Reading } from '../readings/index.ts';

const meter = {
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage' as const,
      ranges: [{ id: '20 V', fullScale: 20, resistance: 1e7, resolution: 0.01, accuracyOfReading: 0.005 }],
    },
  ],
};

const volts = (id: string, red: string, black: string, shown: string): Reading => ({
  id,
  quantity: 'dc-voltage',
  instrument: 'm',
  range: '20 V',
  red,
  black,
  observations: [{ shown, unit: 'V' }],
});

/** 12 V over two equal resistors in series with a third: A, B and C against 0. */
const job = (readings: readonly Reading[]): DiagnosedJob => ({
  network: {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12 },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 1000 },
      { id: 'R2', kind: 'resistor', from: 'B', to: 'C', resistance: 1000 },
      { id: 'R3', kind: 'resistor', from: 'C', to: '0', resistance: 1000 },
    ],
  },
  instruments: [meter],
  readings,
});

function matrixOf(of: DiagnosedJob) {
  const made = explanationMatrix(of);
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
}

it('gives each reading its deviation from every explanation, with the misfit as their mean square', () => {
  const broken = job([volts('M1', 'A', '0', '12.00'), volts('M2', 'B', '0', '12.00'), volts('M3', 'C', '0', '0.00')]);
  const { rows, readings, diagnosis } = matrixOf(broken);
  expect(diagnosis.consistent).toBe(false);
  expect(readings.map(({ value }) => value)).toEqual([12, 12, 0]);
  const open = rows.find(({ hypothesis }) => hypothesis?.fault === 'open' && hypothesis.where[0] === 'R2')!;
  for (const { deviation } of open.cells) expect(Math.abs(deviation)).toBeLessThan(1);
  for (const { misfit, cells, hypothesis } of rows) {
    const sum = cells.reduce((total, { deviation }) => total + deviation ** 2, 0);
    // A fitted value counts as one reading fewer.
    const fitted = hypothesis && 'value' in hypothesis && typeof hypothesis.value === 'number' ? [1, 0] : [0];
    expect(fitted.map((k) => Math.sqrt(sum / (cells.length - k)).toFixed(9))).toContain(misfit.toFixed(9));
  }
});

it('compares with the fault-free circuit last: 8 V expected at B and 4 V at C', () => {
  const { rows } = matrixOf(job([volts('M1', 'B', '0', '12.00'), volts('M2', 'C', '0', '0.00')]));
  const { name, hypothesis, cells } = rows.at(-1)!;
  expect([name, hypothesis]).toEqual(['–', null]);
  expect(cells[0]!.predicted).toBeCloseTo(8, 2);
  expect(cells[1]!.predicted).toBeCloseTo(4, 2);
  expect(cells[0]!.deviation).toBeCloseTo((12 - cells[0]!.predicted!) / cells[0]!.u, 9);
});

it('lists what the diagnosis lists, in its order, and predicts the next reading for its leaders', () => {
  const cases = readFileSync(join(__dirname, '../../vectors/diagnose.jsonl'), 'utf8').trim().split('\n').slice(0, 12);
  let next = 0;
  for (const line of cases) {
    const { job: given } = JSON.parse(line) as { readonly job: DiagnosedJob };
    const diagnosis = diagnose(given);
    if (!diagnosis.ok) throw new Error(diagnosis.fault.code);
    const matrix = matrixOf(given);
    expect(matrix.rows.flatMap(({ hypothesis }) => hypothesis ?? [])).toEqual(
      diagnosis.value.groups.flatMap(({ hypotheses }) => hypotheses),
    );
    if (diagnosis.value.next) expect(matrix.next!.reading).toEqual(diagnosis.value.next);
    if (matrix.next?.predictions) {
      next += 1;
      expect(matrix.next.predictions.values).toHaveLength(matrix.next.of.length);
    }
  }
  expect(next).toBeGreaterThan(1);
});

it('says that no place separates a part out of tolerance from a bad contact of the same size at it', () => {
  // 1 kΩ more in the place of R2: 3 V per kΩ.
  const { rows } = matrixOf(
    job([volts('M1', 'A', 'B', '3.00'), volts('M2', 'B', 'C', '6.00'), volts('M3', 'C', '0', '3.00')]),
  );
  const contact = rows.find(({ hypothesis }) => hypothesis?.fault === 'contact' && hypothesis.where[0] === 'R2')!;
  const others = rows.filter(
    ({ name, hypothesis }) => contact.inseparable.includes(name) && hypothesis?.where[0] === 'R2',
  );
  expect(others.length).toBeGreaterThan(0);
});

it('needs no fault for readings that agree', () => {
  const { diagnosis, rows } = matrixOf(job([volts('M1', 'B', '0', '8.00'), volts('M2', 'C', '0', '4.00')]));
  expect(diagnosis.consistent).toBe(true);
  expect(rows.map(({ name }) => name)).toEqual(['–']);
});

it('proposes a reading that separates the members of the only group', () => {
  // B at 6 V instead of 8 V, read twice: R1 too high, or R2 or R3 too low, or the supply at 9 V.
  const { rows, next } = matrixOf(job([volts('M1', 'B', '0', '6.00'), volts('M2', 'B', '0', '6.00')]));
  expect(rows.filter(({ name }) => name.startsWith('2'))).toEqual([]);
  expect(next!.reading.separates).toBeGreaterThan(1);
  expect(next!.of[0]).toBe('1a');
  const [first, ...others] = next!.predictions!.values;
  expect(others.some((value) => Math.abs(value! - first!) > next!.predictions!.uncertainty)).toBe(true);
});
