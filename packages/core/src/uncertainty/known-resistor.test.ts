import fc from 'fast-check';
import { solveUnloaded } from '../loading/index.ts';
import { read } from '../test/read-line.ts';
import { correctFromRanges } from './range-correction.ts';
import { withKnownResistor } from './known-resistor.ts';
import { runs } from '../test/runs.ts';

const ohms = fc.double({ min: 1, max: 5, noNaN: true }).map((decade) => Math.round(10 ** decade));

/** Voltage across and current through a part of a network given as a line. */
function part(line: string, id: string): { volts: number; amps: number } {
  const solved = solveUnloaded(read(line));
  if (!solved.ok) throw new Error(solved.fault.code);
  const { voltage, current } = solved.value.values.elements[id]!;
  return { volts: voltage!, amps: current! };
}

test('two readings of one range, with and without a known resistor, give the voltage and what its source resistance is', () => {
  fc.assert(
    fc.property(ohms, ohms, ohms, (rs, rm, rk) => {
      const alone = {
        indicated: part(`E1 9V: RS ${rs} + RM ${rm}`, 'RM').volts,
        uncertainty: 0,
        meterResistance: rm,
        resistanceTolerance: 0,
      };
      const lines = {
        across: `E1 9V: RS ${rs} + (RM ${rm} || RK ${rk})`,
        'in-series': `E1 9V: RS ${rs} + RM ${rm} + RK ${rk}`,
      };
      for (const placed of ['across', 'in-series'] as const) {
        const second = { ...alone, indicated: part(lines[placed], 'RM').volts };
        const found = correctFromRanges(
          [alone, withKnownResistor(second, { resistance: rk, placed }, 'dc-voltage')],
          'dc-voltage',
        );
        if (!found.ok) throw new Error(found.fault.message);
        expect(Math.abs(found.value.truth / 9 - 1)).toBeLessThan(1e-6);
        expect(Math.abs(found.value.sourceResistance / rs - 1)).toBeLessThan(1e-4);
      }
    }),
    { numRuns: runs(100) },
  );
});

test('and the same for a current', () => {
  const [rs, rm, rk] = [220, 47, 100];
  const alone = {
    indicated: part(`E1 9V: RS ${rs} + RM ${rm}`, 'RM').amps,
    uncertainty: 0,
    meterResistance: rm,
    resistanceTolerance: 0,
  };
  const lines = {
    across: `E1 9V: RS ${rs} + (RM ${rm} || RK ${rk})`,
    'in-series': `E1 9V: RS ${rs} + RM ${rm} + RK ${rk}`,
  };
  for (const placed of ['across', 'in-series'] as const) {
    const second = { ...alone, indicated: part(lines[placed], 'RM').amps };
    const found = correctFromRanges(
      [alone, withKnownResistor(second, { resistance: rk, placed }, 'dc-current')],
      'dc-current',
    );
    if (!found.ok) throw new Error(found.fault.message);
    expect(found.value.truth).toBeCloseTo(9 / rs, 12);
    expect(found.value.sourceResistance).toBeCloseTo(rs, 8);
  }
});
