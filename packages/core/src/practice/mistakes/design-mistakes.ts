import { toNumber } from '../../solver/index.ts';
import { movementOf, type Design } from '../../workshop/index.ts';
import { sectionOf } from '../answer.ts';
import type { MistakeValue } from './mistake.ts';
import { twoDigits } from '../problems/twist.ts';

/** Returns the section that each mistake in designing a shunt or a multiplier would give for a range. */
export function designMistakes(design: Design, range: number): MistakeValue[] {
  const found = movementOf(design.movement);
  if (!found.ok) return [];
  const movement = {
    current: toNumber(found.value.current),
    coil: toNumber(found.value.resistance),
  };
  const rising = [...design.ranges].sort((a, b) => a - b);
  const others = rising
    .filter((other) => other !== range)
    .map((other): MistakeValue => ({ slip: 'wrong-range', value: sectionOf(design, other) ?? NaN, at: '' }));
  const own =
    design.target === 'voltmeter'
      ? multiplierMistakes(design, rising, range, movement)
      : shuntMistakes(design, rising, range, movement);
  return [...own, ...others];
}

interface Coil {
  /** A at full scale. */
  readonly current: number;
  /** Ω. */
  readonly coil: number;
}

const of = (slip: MistakeValue['slip'], ...values: readonly number[]): MistakeValue[] =>
  values.map((value) => ({ slip, value, at: '' }));

function multiplierMistakes(
  design: Design,
  rising: readonly number[],
  range: number,
  { current, coil }: Coil,
): MistakeValue[] {
  const at = rising.indexOf(range);
  const below = at > 0 && design.scheme === 'string' ? rising[at - 1]! : null;
  const whole = range / current;
  const rounded = [twoDigits(whole), twoDigits(1 / current) * range];
  if (below === null)
    return [
      ...of('coil-not-subtracted', whole),
      ...of('coil-added', whole + coil),
      ...of('rounded-early', ...rounded.map((value) => value - coil)),
      ...of('wrong-range', ...rising.filter((other) => other !== range).map((other) => other / current - coil)),
    ];
  const step = (range - below) / current;
  return [
    ...of('coil-not-subtracted', whole),
    ...of('coil-added', whole + coil, step + coil),
    ...of(
      'rounded-early',
      twoDigits(whole) - below / current,
      whole - twoDigits(below / current),
      twoDigits(whole) - twoDigits(below / current),
      twoDigits(1 / current) * (range - below),
      twoDigits(whole - coil) - twoDigits(below / current - coil),
    ),
  ];
}

function shuntMistakes(
  design: Design,
  rising: readonly number[],
  range: number,
  { current, coil }: Coil,
): MistakeValue[] {
  const drop = current * coil;
  if (design.scheme !== 'universal') {
    const through = range - current;
    return [
      ...of('coil-not-subtracted', drop / range),
      ...of('coil-added', drop / (range + current), drop / through + coil),
      ...of(
        'rounded-early',
        twoDigits(drop) / through,
        drop / twoDigits(through),
        twoDigits(drop) / twoDigits(through),
      ),
    ];
  }
  // R_T = I_m·R_m/(I_lowest − I_m), taps at I_m(R_T + R_m)/I: a slip in R_T runs through all of them.
  const lowest = rising[0]!;
  const right = drop / (lowest - current);
  const section = (shunt: number, loop: number, keep: (value: number) => number = (value) => value): number => {
    const tap = (at: number): number => keep(at === 0 ? shunt : (current * loop) / rising[at]!);
    const at = rising.indexOf(range);
    return at === rising.length - 1 ? tap(at) : tap(at) - tap(at + 1);
  };
  const notSubtracted = drop / lowest;
  const added = drop / (lowest + current);
  const rounded = twoDigits(right);
  return [
    ...of(
      'coil-not-subtracted',
      section(notSubtracted, notSubtracted + coil),
      section(right, right),
      section(notSubtracted, notSubtracted),
    ),
    ...of('coil-added', section(added, added + coil), section(right, right + coil) + coil),
    ...of(
      'rounded-early',
      section(rounded, rounded + coil),
      section(right, right + coil, twoDigits),
      section(right, twoDigits(right + coil)),
      section(rounded, rounded + coil, twoDigits),
      section(twoDigits(drop) / (lowest - current), twoDigits(drop) / (lowest - current) + coil),
    ),
  ];
}
