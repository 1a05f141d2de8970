import type { Dialect } from './dialect.ts';

/** The standard's own commands, for every instrument without a dialect. */
export const standard: Dialect = {
  isOf: () => true,
  configure: { 'dc-voltage': 'CONF:VOLT:DC', 'dc-current': 'CONF:CURR:DC', resistance: 'CONF:RES' },
  read: 'READ?',
  oldestError: 'SYST:ERR?',
  takesLeads: false,
};
