import type { WorkshopParts } from '../scheme/meter-project.ts';

/** Kinds of resistor with their usual ratings; any figure can be changed afterwards. W, V, share for each kelvin. */
export const resistorKinds = [
  { name: 'metal film, ¼ W', powerRating: 0.25, limitingVoltage: 250, coefficient: 5e-5 },
  { name: 'metal film, 0.6 W', powerRating: 0.6, limitingVoltage: 350, coefficient: 5e-5 },
  { name: 'carbon film, ¼ W', powerRating: 0.25, limitingVoltage: 250, coefficient: 4e-4 },
  { name: 'foil, 0.3 W', powerRating: 0.3, limitingVoltage: 300, coefficient: 2e-6 },
  { name: 'high voltage, ½ W', powerRating: 0.5, limitingVoltage: 1600, coefficient: 1e-4 },
  { name: 'wire-wound, 3 W', powerRating: 3, limitingVoltage: 200, coefficient: 2e-5 },
] as const;

/** The kind whose figures a choice of parts has; undefined if it has its own. */
export const resistorKindOf = (parts: WorkshopParts): (typeof resistorKinds)[number] | undefined =>
  resistorKinds.find(
    ({ powerRating, limitingVoltage, coefficient }) =>
      powerRating === parts.powerRating &&
      limitingVoltage === parts.limitingVoltage &&
      coefficient === parts.coefficient,
  );
