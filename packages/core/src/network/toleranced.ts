import type { Element, Resistor } from './element.ts';
import type { Network } from './network.ts';

/** A resistor with a tolerance above zero. */
export type TolerancedResistor = Resistor & { readonly tolerance: number };

/** Returns whether a part may be off: a resistor with a tolerance. One that works by its measured value is known. */
export const isToleranced = (network: Network, element: Element): element is TolerancedResistor =>
  element.kind === 'resistor' &&
  (element.tolerance ?? 0) > 0 &&
  !(network.values === 'measured' && element.measuredResistance !== undefined);

/** Ω that a resistor may be off either way; at its lower limit it is still above zero. */
export const spanOf = ({ resistance, tolerance }: TolerancedResistor): number => resistance * Math.min(tolerance, 0.99);
