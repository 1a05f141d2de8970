/** SI units of this application. Numbers inside are always in the unit without a prefix. */
export type Unit = 'V' | 'A' | 'Ω' | 'W' | 'C';

/** Ways people write a unit by hand or on a part's body. */
export const unitSpellings: Readonly<Record<Unit, readonly string[]>> = {
  V: ['V', 'v', 'volt', 'volts'],
  A: ['A', 'a', 'amp', 'amps', 'ampere', 'amperes'],
  Ω: ['Ω', 'Ω', 'R', 'r', 'ohm', 'ohms', 'Ohm', 'Ohms'],
  W: ['W', 'w', 'watt', 'watts'],
  C: ['C', 'As', 'coulomb', 'coulombs'],
};
