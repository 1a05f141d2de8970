import type { Element } from './element.ts';
import { limitViolation } from './limit.ts';
import { elementLimits, nameViolation } from './limits.ts';
import { curveQuantities } from './load-laws/index.ts';
import { nodesOf, type Network } from './network.ts';

/** A fault that keeps a network from being solved. */
export interface NetworkFault {
  readonly code: 'invalid-value' | 'duplicate-id' | 'unknown-node';
  readonly message: string;
  /** Ids of the elements, or the node, that the fault is about. */
  readonly where: readonly string[];
}

/**
 * Everything about a network that keeps it from being solved, in element order; empty if it is sound.
 * Contradictions that only show when it is solved are the solver's.
 */
export function networkFaults(network: Network): NetworkFault[] {
  if (network.elements.length === 0)
    return [{ code: 'invalid-value', message: 'The network has no parts. Add at least one.', where: [] }];
  const faults = network.elements.flatMap(elementFaults);
  for (const id of duplicates(network.elements.map((element) => element.id)))
    faults.push({
      code: 'duplicate-id',
      message: `Two parts are called ${id}. Give one of them another name.`,
      where: [id],
    });
  const { reference } = network;
  if (reference !== undefined && !nodesOf(network).includes(reference))
    faults.push({
      code: 'unknown-node',
      message: `The reference ${reference} is not a node of this network. Choose one that a part ends on.`,
      where: [reference],
    });
  return faults;
}

function elementFaults(element: Element): NetworkFault[] {
  const faults: NetworkFault[] = [];
  const where = [element.id];
  for (const name of [element.id, element.from, element.to]) {
    const violation = nameViolation(name);
    if (violation) faults.push({ code: 'invalid-value', message: `“${name}” ${violation}.`, where });
  }
  for (const key in element) {
    const value = (element as unknown as Record<string, unknown>)[key];
    const limit = typeof value === 'number' ? elementLimits[key as keyof typeof elementLimits] : undefined;
    const violation = limit && limitViolation(limit, value as number);
    if (violation)
      faults.push({ code: 'invalid-value', message: `${element.id}: ${words[key] ?? key} ${violation}.`, where });
  }
  return faults;
}

const words: Readonly<Record<string, string>> = {
  internalResistance: 'the internal resistance',
  cellsInSeries: 'the number of cells in series',
  cellsInParallel: 'the number of strings in parallel',
  currentLimit: 'the current limit',
  resistance: 'the resistance',
  measuredResistance: 'the measured resistance',
  tolerance: 'the tolerance',
  powerRating: 'the power rating',
  compliance: 'the compliance',
  ratedVoltage: 'the rated voltage',
  ratedCurrent: 'the rated current',
  ...Object.fromEntries(Object.entries(curveQuantities).map(([key, { name }]) => [key, `the ${name}`])),
};

/** Returns the names that are repeated, each once. */
export function duplicates(names: readonly string[]): string[] {
  const seen = new Set<string>();
  const twice = new Set<string>();
  for (const name of names) (seen.has(name) ? twice : seen).add(name);
  return [...twice];
}
