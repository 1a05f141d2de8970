import { seriesValues } from '@usual-drag/core/quantity';
import { movementOf, planDesign, solveDesign, type Design } from '@usual-drag/core/workshop';
import { duration, line, secondsOf } from './measure.ts';

const base: Design = {
  format: 'usual-drag/design',
  version: 1,
  target: 'ammeter',
  movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
  scheme: 'universal',
  ranges: [0.02513, 0.2517, 2.571, 10.3],
  parts: { series: 'E96', tolerance: 0.01, powerRating: 0.25, maxParts: 3 },
};

/** The search for parts: four ranges of three parts each, and one section against trying every combination. */
export function benchWorkshop(): void {
  console.log('\nParts for four ranges, up to three E96 parts a section');
  const volts = { ...base, target: 'voltmeter', ranges: [3.137, 11.93, 57.31, 211.7] } as const;
  for (const design of [
    base,
    { ...base, scheme: 'individual' as const },
    { ...volts, scheme: 'string' as const },
    { ...volts, scheme: 'individual' as const },
  ]) {
    const time = secondsOf(() => solveDesign(design));
    line(`  ${design.target}, ${design.scheme} (${duration(time)})`, `${time.toFixed(3)} of 1 s`);
  }
  const one: Design = { ...base, scheme: 'individual', ranges: [0.02513], parts: { ...base.parts!, series: 'E24' } };
  const movement = movementOf(one.movement);
  const plan = movement.ok && planDesign(one, movement.value);
  if (!plan || !plan.ok) return;
  const target = plan.value.sections[0]!.resistance;
  // Two decades below the section and one above it, as far as a search by hand would go.
  const values = [0.1, 1, 10].flatMap((decade) => seriesValues('E24').map((figure) => figure * decade));
  const every = secondsOf(() => nearestOfAll(target, values));
  const ours = secondsOf(() => solveDesign(one));
  line(
    `  one section of E24 (${duration(ours)})`,
    `${(every / ours).toFixed(0)} × faster than trying all of three decades`,
  );
}

function nearestOfAll(target: number, values: readonly number[]): number {
  let best = Infinity;
  const look = (resistance: number): void => {
    if (Math.abs(resistance - target) < Math.abs(best - target)) best = resistance;
  };
  for (let i = 0; i < values.length; i += 1)
    for (let j = 0; j <= i; j += 1)
      for (let k = 0; k <= j; k += 1) {
        look(values[i]! + values[j]! + values[k]!);
        look(1 / (1 / values[i]! + 1 / values[j]! + 1 / values[k]!));
      }
  return best;
}
