import { formatQuantity } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import { findRange, shownOn, type Instrument } from '@usual-drag/core/instrument';
import type { Conventions } from '@usual-drag/core/readings';
import { namesOf, placeOf, type PlanStep, type ReadStep } from '@usual-drag/core/plan';

/** Returns the title of a step, in a few words. */
export function titleOf(step: PlanStep): string {
  switch (step.do) {
    case 'supply':
      return `Set ${step.element}`;
    case 'break':
      return `Open the circuit at ${step.node}`;
    case 'restore':
      return `Join ${namesOf(step.ends)} to ${step.node} again`;
    case 'off':
      return 'Supply off, and restore';
    case 'read':
      return placeOf(step);
  }
}

/** Setting to make before a reading, in full and in short. */
interface SettingCheck {
  readonly id: string;
  readonly text: string;
  readonly short: string;
}

/** Returns the settings of the meter to make before a step is read, in the order of the convention. */
export function checksOf(
  step: ReadStep,
  instruments: readonly Instrument[],
  { checks }: Conventions,
): readonly SettingCheck[] {
  const instrument = instruments.find(({ id }) => id === step.instrument);
  const name = instrument?.name ?? step.instrument;
  const functionCheck = {
    id: 'function',
    text: `${name}: ${functions[step.quantity]}`,
    short: functions[step.quantity],
  };
  const leads = { id: 'leads', text: `Red lead in ${step.jack}, black in COM`, short: `red in ${step.jack}` };
  const range =
    step.startRange === step.range
      ? `Range ${step.range}`
      : `Start on range ${step.startRange}, then range ${step.range}`;
  const shortRange = step.startRange === step.range ? step.range : `${step.startRange} → ${step.range}`;
  const rate = step.rate === undefined ? '' : `, rate ${step.rate}`;
  const rest = [
    { id: 'range', text: range + rate, short: shortRange + rate },
    { id: 'placement', text: placementOf(step), short: placementOf(step) },
  ];
  return checks === 'leads-function-range-placement'
    ? [leads, functionCheck, ...rest]
    : [functionCheck, leads, ...rest];
}

const functions = { 'dc-voltage': 'DC volts', 'dc-current': 'DC current', resistance: 'resistance' } as const;

function placementOf(step: ReadStep): string {
  switch (step.quantity) {
    case 'dc-voltage':
      return `Red on ${step.red}, black on ${step.black}`;
    case 'dc-current': {
      const [first, second] = step.reversed ? ['Black', 'red'] : ['Red', 'black'];
      return `${first} on ${step.node}, ${second} on the lifted end of ${namesOf(step.ends)}`;
    }
    case 'resistance':
      return `Across ${step.element}, out of the circuit`;
  }
}

/**
 * Returns a step as it is spoken.
 *
 * @param hidesExpected  whether the expected display is left out
 */
export function spokenStep(step: PlanStep, network: Network, hidesExpected = false): string {
  switch (step.do) {
    case 'supply': {
      const source = network.elements.find(({ id }) => id === step.element);
      const unit = source?.kind === 'current-source' ? 'A' : 'V';
      return `Set ${step.element} to ${spoken(step.set, unit)}.`;
    }
    case 'break':
      return `Supply off. Lift ${namesOf(step.ends)} off ${step.node}.`;
    case 'restore':
      return `Supply off. Join ${namesOf(step.ends)} to ${step.node} again.`;
    case 'off':
      return 'Supply off. Leads out. Bench as found.';
    case 'read':
      return `${titleOf(step)}. Range ${step.range}.${hidesExpected ? '' : ` Expect ${step.display} ${step.unit}.`}`;
  }
}

const spoken = (value: number, unit: 'V' | 'A' | 'Ω'): string => formatQuantity(value, unit, { digits: 4, trim: true });

/** Prefixes that a display of a quantity has, the smallest first. */
export const prefixesOf = (quantity: ReadStep['quantity']): readonly string[] =>
  ({ 'dc-voltage': ['µ', 'm', '', 'k'], 'dc-current': ['n', 'µ', 'm', ''], resistance: ['m', '', 'k', 'M'] })[quantity];

/** The prefix that a range's display has. */
export function usualPrefix(instrument: Instrument | undefined, quantity: ReadStep['quantity'], range: string): string {
  const found = instrument && findRange(instrument, quantity, range);
  return found ? shownOn(instrument, quantity, found, 0).unit.slice(0, -1) : '';
}
