import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import { runs } from '../test/runs.ts';
import { budgetOf, budgetSentence, sampleCorrection } from '../uncertainty/index.ts';
import { correctionOf, sourceQuestion, type CorrectionQuestion } from './correction-question.ts';
import type { Reading } from './reading.ts';

const meter = (resistance: number, resistanceTolerance = 0): Instrument => ({
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { id: '20 V', fullScale: 20, resistance, resistanceTolerance, resolution: 0.01, accuracyOfReading: 0.005 },
      ],
    },
  ],
});

const divider = (upper: number, lower: number, tolerance: number): Network => ({
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: upper, tolerance },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: lower },
  ],
});

const reading: Reading = {
  id: 'M1',
  quantity: 'dc-voltage',
  instrument: 'm',
  range: '20 V',
  red: 'B',
  black: '0',
  observations: [{ shown: '5.00', unit: 'V' }],
};

const question = (network: Network, instruments: readonly Instrument[]): CorrectionQuestion => ({
  of: 'reading',
  network,
  instruments,
  reading,
  conventions: {},
});

const volts = (value: number): string => `${value.toFixed(3)} V`;

it('splits the uncertainty of a corrected reading of a divider by the law of propagation', () => {
  // R_s = R1·R2/(R1 + R2) and C = v·(1 + R_s/R_m); dR_s/dR1 = (R2/(R1 + R2))².
  const [upper, lower, own] = [10_000, 15_000, 20_000];
  const budget = budgetOf(correctionOf(question(divider(upper, lower, 0.05), [meter(own, 0.02)])))!;
  const seen = (upper * lower) / (upper + lower);
  const factor = 1 + seen / own;
  expect(budget.value).toBeCloseTo(5 * factor, 12);
  const byName = Object.fromEntries(budget.lines.map((line) => [line.of, line]));
  const slope = (5 / own) * (lower / (upper + lower)) ** 2;
  expect(byName.R1!.standard).toBeCloseTo((0.05 * upper) / Math.sqrt(3), 9);
  expect(byName.R1!.sensitivity).toBeCloseTo(slope, 12);
  expect(byName.meter!.sensitivity).toBeCloseTo((5 * seen) / own ** 2, 12);
  expect(byName.accuracy!.contribution).toBeCloseTo((factor * 0.005 * 5) / Math.sqrt(3), 12);
  expect(byName.resolution!.contribution).toBeCloseTo((factor * 0.005) / Math.sqrt(3), 12);
  const sum = budget.lines.reduce((total, { contribution }) => total + contribution ** 2, 0);
  expect(budget.uncertainty).toBeCloseTo(2 * Math.sqrt(sum), 12);
  expect(budget.lines.reduce((total, { share }) => total + share, 0)).toBeCloseTo(1, 12);
  expect(budget.lines.map(({ contribution }) => contribution)).toEqual(
    budget.lines.map(({ contribution }) => contribution).sort((a, b) => b - a),
  );
});

it('names the largest contribution and what measuring that part leaves', () => {
  const budget = budgetOf(correctionOf(question(divider(10_000, 15_000, 0.2), [meter(20_000)])))!;
  const without = budgetOf(correctionOf(question(divider(10_000, 15_000, 0), [meter(20_000)])))!;
  expect(budget.reduction).toEqual({ of: 'R1', action: 'measuring R1', uncertainty: without.uncertainty });
  expect(budgetSentence(budget, volts)).toBe(
    `Most of it is the tolerance of R1: measuring R1 reduces U from ${volts(budget.uncertainty)} to ${volts(without.uncertainty)}.`,
  );
});

it('says that twice as good a meter halves what only the meter contributes', () => {
  const budget = budgetOf(correctionOf(question(divider(100, 150, 0), [meter(1e9)])))!;
  expect(budgetSentence(budget, volts)).toMatch(
    /^Most of it is the accuracy of the meter: a meter with half these limits (halves the uncertainty|reduces U from .*)\.$/,
  );
});

it('finds the linear form wrong for a source resistance that is hardly known', () => {
  // C = v·(1 + R_m/R_s): with R_s ± 60 % the mean of 1/R_s is ln(4)/1.2 = 1.155 of 1/R_s.
  const ammeter: Instrument = {
    id: 'a',
    functions: [{ quantity: 'dc-current', ranges: [{ id: '1 A', fullScale: 1, resistance: 10, resolution: 1e-5 }] }],
  };
  const correction = correctionOf(sourceQuestion('dc-current', 10, 0.6, ammeter, '1 A', 0.5));
  const corrected = correction.correct(correction.bench)!;
  expect(corrected.value).toBeCloseTo(1, 12);
  expect(budgetOf(correction)!.mayBeNonlinear).toBe(true);
  const sampled = sampleCorrection(correction)!;
  expect(sampled.isLinearFormWrong).toBe(true);
  expect(sampled.mean).toBeCloseTo(0.5 * (1 + Math.log(4) / 1.2), 1);
  // The middle 95.45 % of R_s: 10 Ω·(1 ± 0.6·0.9545).
  expect(sampled.low).toBeCloseTo(0.5 * (1 + 1 / (1 + 0.6 * 0.9545)), 1);
  expect(sampled.high).toBeCloseTo(0.5 * (1 + 1 / (1 - 0.6 * 0.9545)), 1);
});

it('agrees with the linear form within a tenth of U wherever no input is wide', () => {
  let compared = 0;
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 5, noNaN: true }),
      fc.double({ min: 2, max: 5, noNaN: true }),
      fc.double({ min: 3, max: 7, noNaN: true }),
      fc.constantFrom(0.001, 0.01, 0.05, 0.1, 0.2),
      fc.constantFrom(0, 0.01, 0.1),
      fc.integer({ min: 1, max: 1000 }),
      (upper, lower, own, tolerance, ofMeter, seed) => {
        const network = divider(10 ** upper, 10 ** lower, tolerance);
        const correction = correctionOf(question(network, [meter(10 ** own, ofMeter)]));
        const corrected = correction.correct(correction.bench)!;
        if (budgetOf(correction)!.mayBeNonlinear) return;
        compared += 1;
        const sampled = sampleCorrection(correction, seed, 1500)!;
        // The deviation of 1500 draws has itself an uncertainty of 2 %.
        expect(Math.abs(2 * sampled.deviation - corrected.uncertainty)).toBeLessThan(0.12 * corrected.uncertainty);
        expect(Math.abs(sampled.mean - corrected.value)).toBeLessThan(0.12 * corrected.uncertainty);
      },
    ),
    { numRuns: runs(60) },
  );
  expect(compared).toBeGreaterThanOrEqual(runs(60) - 1);
});
