import { simulatedIdentity } from '@usual-drag/core/report';
import type { Dialect } from './dialect.ts';
import { standard } from './standard.ts';

/** A multimeter of the simulated bench: the standard's commands, and the places of its leads. */
export const simulated: Dialect = {
  ...standard,
  isOf: (identity) => identity.startsWith(simulatedIdentity),
  takesLeads: true,
};
