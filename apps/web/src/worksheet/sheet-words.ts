import type { SheetRule } from '@usual-drag/core/worksheet';

/** The rules by the names that a textbook has for them. */
export const ruleWords: Readonly<Record<SheetRule, string>> = {
  ohm: 'Ohm’s law',
  power: 'power',
  series: 'in series',
  parallel: 'in parallel',
  junction: 'junction',
  loop: 'loop',
  equivalent: 'equivalent',
  equations: 'equations',
};

/** Returns `R3.resistance or R3.current` in words: `the resistance or current of R3`. */
export function missingWords(line: string): string {
  const ways = line.split(' or ').map((way) => way.split('.') as [string, string]);
  const [first] = ways;
  const sameOwner = ways.every(([of]) => of === first![0]);
  return sameOwner
    ? `the ${ways.map(([, quantity]) => quantity).join(' or ')} of ${first![0]}`
    : ways.map(([of, quantity]) => `the ${quantity} of ${of}`).join(' or ');
}
