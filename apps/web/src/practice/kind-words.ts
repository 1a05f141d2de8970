import type { Attempt } from '@usual-drag/core/practice';

/** Names of the kinds of problems. */
export const kindWords: Readonly<Record<Attempt['kind'], string>> = {
  equivalent: 'Equivalent resistance',
  'voltages-currents': 'Voltages and currents',
  'power-charge': 'Power and charge',
  voltmeter: 'A voltmeter in the circuit',
  ammeter: 'An ammeter in the circuit',
  'both-meters': 'Both meters at once',
  correct: 'Correct a reading',
  range: 'Choose the range',
  'read-needle': 'Read the needle',
  'set-meter': 'Set the meter',
  shunt: 'Design a shunt',
  multiplier: 'Design a multiplier',
  'find-fault': 'Find the fault in readings',
  'fault-hunt': 'Find the fault on the bench',
};

export const levelOptions = [
  { value: '1', text: '1' },
  { value: '2', text: '2' },
  { value: '3', text: '3' },
] as const;
