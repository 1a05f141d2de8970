import { formatQuantity } from '../../quantity/index.ts';
import { sectionName, type Design } from '../../workshop/index.ts';
import { sectionOf } from '../answer.ts';
import type { Drafted } from './circuit-problems.ts';
import { unitFor } from './clear-problem.ts';
import type { Draw } from './draw.ts';
import type { Level } from './problem.ts';

const currents = [50e-6, 100e-6, 200e-6, 500e-6, 1e-3, 2e-3];

/** A shunt for one range, for two, or a universal one for three. */
export function shuntProblem(draw: Draw, level: Level): Drafted | null {
  const current = draw.pick(currents);
  const coil = coilFor(draw, current);
  const ranges = rangesAbove(draw, current, level, [2.5, 5, 10, 20, 25, 50, 100, 200, 500]);
  return problemOf(
    {
      format: 'usual-drag/design',
      version: 1,
      target: 'ammeter',
      movement: { fullScaleCurrent: current, resistance: coil },
      scheme: level === 3 ? 'universal' : 'individual',
      ranges,
    },
    level === 3 ? 'a universal shunt' : level === 2 ? 'individual shunts' : 'a shunt',
  );
}

/** A multiplier for one range, for two, or a chain for three. */
export function multiplierProblem(draw: Draw, level: Level): Drafted | null {
  const current = draw.pick(currents);
  const coil = coilFor(draw, current);
  const ranges = rangesAbove(draw, current * coil, level, [4, 6, 10, 15, 25, 40, 100, 250, 600]);
  return problemOf(
    {
      format: 'usual-drag/design',
      version: 1,
      target: 'voltmeter',
      movement: { fullScaleCurrent: current, resistance: coil },
      scheme: level === 3 ? 'string' : 'individual',
      ranges,
    },
    level === 3 ? 'a multiplier chain' : level === 2 ? 'individual multipliers' : 'a multiplier',
  );
}

/** Ω of a coil that drops some tens of millivolts to a quarter of a volt. */
function coilFor(draw: Draw, current: number): number {
  const volts = draw.pick([0.06, 0.075, 0.1, 0.15, 0.2, 0.25]) * (1 + 0.1 * draw.sign());
  return Number((volts / current).toPrecision(2));
}

/** Full scales of two digits, well above one another. */
function rangesAbove(draw: Draw, least: number, level: Level, factors: readonly number[]): number[] {
  const count = level;
  const chosen = draw
    .shuffled(factors.slice(0, 4 + level))
    .slice(0, count)
    .map((factor) => rounded(least * factor));
  return [...new Set(chosen)].sort((a, b) => a - b);
}

/** To 1, 2, 2.5 or 5 in its decade, as ranges are. */
function rounded(value: number): number {
  const decade = Math.floor(Math.log10(value));
  const mantissa = value / 10 ** decade;
  const step = [1, 2, 2.5, 5, 10].find((one) => one >= mantissa * 0.999) ?? 10;
  return Number(`${step}e${decade}`);
}

function problemOf(design: Design, what: string): Drafted | null {
  const { target, movement, ranges } = design;
  const unit = target === 'ammeter' ? 'A' : 'V';
  const show = (value: number): string => formatQuantity(value, unit, { digits: 3, trim: true });
  const sections = ranges.map((range) => sectionOf(design, range));
  if (ranges.length === 0 || sections.some((one) => one === null || !(one > 0))) return null;
  const list = ranges.map(show).join(', ');
  const named = design.scheme === 'universal' || design.scheme === 'string';
  return {
    text: `A movement from the old pump-hall panel, ${formatQuantity(movement.fullScaleCurrent!, 'A', { digits: 3, trim: true })} at full scale, ${formatQuantity(movement.resistance!, 'Ω', { digits: 3, trim: true })}, is to get ${what} for ${list}.`,
    design,
    asks: ranges.map((range, k) => ({
      id: 'abc'[k]!,
      text: named
        ? `What is ${sectionName(target, design.scheme === 'universal' ? ranges.length - 1 - k : k)}, the section that the ${show(range)} range adds?`
        : `What is the ${target === 'ammeter' ? 'shunt' : 'multiplier'} of the ${show(range)} range?`,
      of: { what: 'section', range },
      unit: unitFor(sections[k]!, 'Ω'),
    })),
  };
}
