import type { Network } from '../network/index.ts';
import { namesFor, type PartNames } from './part-names.ts';
import type { Part, ResistanceNet } from './resistance-net.ts';
import { exact, writtenDown, type Rounding } from './rounding.ts';
import { chooseStep, type Choice, type Rule } from './rules.ts';
import { formulasOf } from './step-words.ts';
import { penFor } from './pen.ts';

/** One step on the way down to one resistance. */
export interface Step extends Choice {
  readonly rule: Rule;
  /** Parts that replace them; none if they carry nothing. */
  readonly into: readonly Part[];
  /** With the numbers in it; two ways for two in parallel. */
  readonly formulas: readonly string[];
}

/** Steps that reduce a network to one resistance. */
export interface Reduction {
  readonly net: ResistanceNet;
  readonly steps: readonly Step[];
  /** The parts before each step, and after the last. */
  readonly stages: readonly (readonly Part[])[];
  /** Ω between the source's terminals; 0 if they are one point, null if nothing joins them. */
  readonly equivalent: number | null;
}

/**
 * Breaks a network down to the one resistance that its source sees, a step at a time.
 *
 * Series add; parallel by product over sum or reciprocals; star and delta by Kennelly's transformations; a star of more
 * arms by Rosen's star–mesh. All are sums, products and quotients of positive numbers, so each step keeps the resistance to
 * a few units in the last place.
 *
 * @param rounding  what is done to every number that is written down; nothing if omitted
 */
export function reduceNet(net: ResistanceNet, rounding: Rounding = exact): Reduction {
  const pen = penFor(rounding);
  const names = namesFor(net.parts);
  let parts: readonly Part[] = net.parts;
  const stages = [parts];
  const steps: Step[] = [];
  for (let choice = chooseStep(parts, net.top, net.bottom); choice; choice = chooseStep(parts, net.top, net.bottom)) {
    const taken = new Set(choice.parts);
    const centre = choice.rule === 'delta-star' ? names.centre(parts) : choice.centre;
    const named = { ...choice, ...(centre !== undefined && { centre }) };
    const into = replacement(named, names, rounding);
    const place = parts.indexOf(choice.parts[0]!);
    parts = [...parts.slice(0, place), ...into, ...parts.slice(place)].filter((part) => !taken.has(part));
    steps.push({ ...named, into, formulas: formulasOf(named, into, pen) });
    stages.push(parts);
  }
  const [last] = parts;
  return { net, steps, stages, equivalent: last ? last.resistance : net.top === net.bottom ? 0 : null };
}

/** A stage as a network: the source and the parts that are left. */
export function stageNetwork({ net }: Reduction, stage: readonly Part[]): Network {
  const { source, top, bottom } = net;
  return {
    reference: bottom,
    elements: [{ ...source, from: top, to: bottom }, ...stage.map((part) => ({ ...part, kind: 'resistor' as const }))],
  };
}

function replacement(choice: Choice, names: PartNames, rounding: Rounding): Part[] {
  const keep = (value: number): number => writtenDown(value, rounding);
  const { parts, points, centre } = choice;
  const ohms = parts.map((part) => part.resistance);
  switch (choice.rule) {
    case 'dead-end':
      return [];
    case 'series':
      return [
        { id: names.of(parts), from: points[0]!, to: points.at(-1)!, resistance: keep(ohms.reduce((a, b) => a + b)) },
      ];
    case 'parallel':
      return [{ id: names.of(parts), from: points[0]!, to: points[1]!, resistance: parallelOf(ohms, keep) }];
    case 'delta-star': {
      const sum = keep(ohms.reduce((a, b) => a + b));
      return points.map((corner): Part => {
        const [one, other] = parts.filter(({ from, to }) => from === corner || to === corner);
        const resistance = keep(keep(one!.resistance * other!.resistance) / sum);
        return { id: names.arm(corner), from: corner, to: centre!, resistance };
      });
    }
    case 'star-delta':
    case 'star-mesh': {
      const total = keep(ohms.reduce((sum, r) => sum + keep(1 / r), 0));
      return points.flatMap((from, i) =>
        points.slice(i + 1).map((to, offset): Part => {
          const j = i + 1 + offset;
          const resistance = keep(keep(ohms[i]! * ohms[j]!) * total);
          return { id: names.of([parts[i]!, parts[j]!]), from, to, resistance };
        }),
      );
    }
  }
}

/** Product over sum for two, reciprocals for more. */
function parallelOf(ohms: readonly number[], keep: (value: number) => number): number {
  const [a, b] = ohms as [number, number];
  if (ohms.length === 2) return keep(keep(a * b) / keep(a + b));
  return keep(1 / keep(ohms.reduce((sum, r) => sum + keep(1 / r), 0)));
}
