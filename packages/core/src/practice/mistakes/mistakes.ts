import type { Job } from '../../job/index.ts';
import { designMistakes } from './design-mistakes.ts';
import { meterMistakes } from './meter-mistakes.ts';
import { networkMistakesAndRounding, type MistakesIn } from './network-mistakes.ts';
import type { Ask, AskedOfPart, Problem } from '../problems/problem.ts';
import type { MistakeValue } from './mistake.ts';
import { reckon } from '../problems/twist.ts';
import { treeOfNetwork } from '../worked-tree.ts';

/**
 * Returns the value that each mistake gives for a question that is answered with a number.
 *
 * @param mistakesIn  how those in a circuit are found: with rounding on the way if omitted
 */
export function mistakesFor(
  { job, design }: Problem,
  { of }: Ask,
  mistakesIn: MistakesIn = networkMistakesAndRounding,
): MistakeValue[] {
  if (of.what === 'section') return design ? designMistakes(design, of.range) : [];
  if (!job || of.what === 'fault' || of.what === 'range') return [];
  return 'setup' in of ? meterMistakes(job, of, mistakesIn) : partMistakes(job, of, mistakesIn);
}

function partMistakes({ network }: Job, of: AskedOfPart, mistakesIn: MistakesIn): MistakeValue[] {
  const worked = treeOfNetwork(network);
  if (!worked) return [];
  const { tree, emf } = worked;
  if (of.what === 'equivalent') return mistakesIn(tree, emf, ({ resistance }) => [resistance]);
  const part = network.elements.find(({ id }) => id === of.element);
  const resistance = part?.kind === 'resistor' ? part.resistance : null;
  const own = mistakesIn(tree, emf, ({ parts, resistance: whole }) => {
    // Of the source: what the whole of it takes.
    const found = parts.get(of.element) ?? { voltage: emf, current: emf / whole };
    const { voltage, current } = found;
    switch (of.what) {
      case 'voltage':
        return [voltage, ...(resistance === null ? [] : [current * resistance])];
      case 'current':
        return [current, ...(resistance === null ? [] : [voltage / resistance])];
      case 'charge':
        return [current * of.seconds, ...(resistance === null ? [] : [(voltage / resistance) * of.seconds])];
      case 'power':
        return [
          voltage * current,
          ...(resistance === null ? [] : [voltage ** 2 / resistance, current ** 2 * resistance]),
        ];
    }
  });
  const voltage = reckon(tree, emf).parts.get(of.element)?.voltage ?? null;
  if (of.what === 'power' && resistance !== null && voltage !== null)
    return [{ slip: 'power-v-times-r', value: voltage * resistance, at: '' }, ...own];
  if (of.what === 'charge' && voltage !== null && resistance !== null)
    return [{ slip: 'minutes', value: ((voltage / resistance) * of.seconds) / 60, at: '' }, ...own];
  return own;
}
