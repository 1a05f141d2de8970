import fc from 'fast-check';
import { fullScaleErrors } from '../errors/as-built.ts';
import type { Design } from './design.ts';
import { movementOf, type Movement } from '../movement/movement.ts';
import { planDesign } from './schemes.ts';
import { sectionWindow } from './section-windows.ts';
import { runs } from '../../test/runs.ts';

const figures = { fullScaleCurrent: 1e-4, resistance: 1800 };
const movement = coil();

function coil(): Movement {
  const made = movementOf(figures);
  if (!made.ok) throw new Error(made.fault.message);
  return made.value;
}

const scheme = fc.constantFrom(
  ['ammeter', 'individual'] as const,
  ['ammeter', 'universal'] as const,
  ['voltmeter', 'individual'] as const,
  ['voltmeter', 'string'] as const,
);

/** Sections near those of a plan, each off by its own share, and what that makes of the ranges' errors. */
const choice = fc.record({
  scheme,
  tenths: fc.uniqueArray(fc.integer({ min: 2, max: 45 }), { minLength: 1, maxLength: 5 }),
  shares: fc.array(fc.double({ min: -0.2, max: 0.2, noNaN: true }), { minLength: 5, maxLength: 5 }),
});

interface Picked {
  readonly scheme: readonly [Design['target'], Design['scheme']];
  readonly tenths: readonly number[];
  readonly shares: readonly number[];
}

function built({ scheme: [target, of], tenths, shares }: Picked) {
  const own = target === 'ammeter' ? 1e-4 : 0.18;
  const ranges = tenths.map((tenth) => own * 10 ** (tenth / 10)).sort((a, b) => a - b);
  const design: Design = { format: 'usual-drag/design', version: 1, target, scheme: of, movement: figures, ranges };
  const plan = planDesign(design, movement);
  if (!plan.ok) throw new Error(plan.fault.message);
  const sections = plan.value.sections.map(({ resistance }, k) => resistance * (1 + shares[k]!));
  const errors = fullScaleErrors(design, movement, ranges, sections);
  return { design, ranges, sections, worst: Math.max(...errors.map(Math.abs)) };
}

test('a choice that keeps within an error lies in every window that the error leaves', () => {
  fc.assert(
    fc.property(choice, (picked) => {
      const { design, ranges, sections, worst } = built(picked);
      fc.pre(worst < 0.99);
      sections.forEach((section, k) => {
        const window = sectionWindow(design, movement, ranges, sections.slice(0, k), worst);
        expect(section).toBeGreaterThanOrEqual(window.low * (1 - 1e-9));
        expect(section).toBeLessThanOrEqual(window.high * (1 + 1e-9));
      });
    }),
    { numRuns: runs(400) },
  );
});

test('the windows of a tight bound are tight: the exact sections are all that is left', () => {
  fc.assert(
    fc.property(choice, (picked) => {
      const exact = built({ ...picked, shares: [0, 0, 0, 0, 0] });
      exact.sections.forEach((section, k) => {
        const window = sectionWindow(exact.design, movement, exact.ranges, exact.sections.slice(0, k), 1e-9);
        // A section is a difference of taps or of voltages: its own share of the bound can be larger.
        const loose = 1e-8 * (exact.sections.reduce((sum, other) => sum + other, 0) + 1800);
        expect(window.high - section).toBeLessThan(loose);
        expect(section - window.low).toBeLessThan(loose);
      });
    }),
  );
});
