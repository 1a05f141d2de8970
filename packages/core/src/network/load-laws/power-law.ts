import type { LoadLawKind } from './load-law.ts';

/** I = ratedCurrent·(V/ratedVoltage)^exponent. */
export interface PowerLaw {
  /** Above 0.05 and at most 1. */
  readonly exponent: number;
}

/**
 * A load whose current rises less than its voltage: a filament that heats up, a sounder that holds its current.
 *
 * f(x) = x^p; its inverse is y^(1/p), with the slope y^(1/p − 1)/p.
 */
export const powerLaw = {
  quantities: { exponent: { limit: 'exponent', name: 'exponent', unit: null, since: 2 } },
  isOhmic: ({ exponent }) => exponent === 1,
  current: ({ exponent }, voltage) => voltage ** exponent,
  voltage: ({ exponent }, current) => current ** (1 / exponent),
  slope: ({ exponent }, current) => current ** (1 / exponent - 1) / exponent,
  usual: [
    { name: 'filament lamp', values: { exponent: 0.55 } },
    { name: 'nearly constant current', values: { exponent: 0.1 } },
  ],
  readWord: (text) => {
    const digits = /^\^(\d*[.,]?\d+)$/.exec(text)?.[1];
    return digits === undefined ? null : { exponent: Number(digits.replace(',', '.')) };
  },
  writeWord: ({ exponent }) => `^${exponent}`,
  onlyForLoads: 'Only a lamp or other load has an exponent: L1 12V 0.3A ^0.55.',
  proportion: ({ exponent }) => `I ∝ V^${exponent}`,
  working: ({ exponent }, rated, voltage) => `${rated.current} × (${voltage} / ${rated.voltage})^${exponent}`,
} satisfies LoadLawKind<PowerLaw>;
