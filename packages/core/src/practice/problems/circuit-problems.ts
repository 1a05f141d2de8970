import { newJob } from '../../job/index.ts';
import { solveUnloaded } from '../../loading/index.ts';
import type { Network } from '../../network/index.ts';
import { reduceNet, resistanceNet } from '../../reduction/index.ts';
import { unitFor } from './clear-problem.ts';
import type { Draw } from './draw.ts';
import { circuitWords, drawCircuit, places, shapes } from './practice-circuit.ts';
import type { Ask, Level, Problem } from './problem.ts';

/** Share of the EMF by which a part's voltage must be smaller to be inside the circuit. */
const rounding = 1e-9;

/** A problem before it has its kind, level and seed. */
export type Drafted = Pick<Problem, 'text' | 'job' | 'design' | 'asks'>;

/** A circuit of a level with its text. */
export function draftCircuit(draw: Draw, level: Level) {
  const place = draw.pick(places);
  const shape = draw.pick(shapes[level]);
  const network = drawCircuit(draw, shape, place);
  return { place, network, text: `${place.name}: ${circuitWords(network, shape)}.` };
}

/** The job of a problem. */
const jobOf = (name: string, network: Network) => ({ ...newJob(name), network });

/** The resistance that the source sees. */
export function equivalentProblem(draw: Draw, level: Level): Drafted | null {
  const { place, network, text } = draftCircuit(draw, level);
  const source = network.elements[0]!;
  if (source.kind !== 'source') return null;
  const { equivalent } = reduceNet(resistanceNet(network, source));
  if (equivalent === null) return null;
  return {
    text,
    job: jobOf(place.name, network),
    asks: [
      {
        id: 'a',
        text: 'What resistance does E1 see?',
        of: { what: 'equivalent', source: 'E1' },
        unit: unitFor(equivalent, 'Ω'),
      },
    ],
  };
}

/** Voltage, current and, on the highest level, power of parts. */
export function voltagesProblem(draw: Draw, level: Level): Drafted | null {
  const { place, network, text } = draftCircuit(draw, level);
  const solved = valuesOf(network);
  if (!solved) return null;
  const parts = draw.shuffled(resistorsOf(network));
  const { emf } = network.elements.find((element) => element.kind === 'source')!;
  // The voltage of the source itself needs no working.
  const inside = parts.filter((id) => solved[id]!.voltage! < emf * (1 - rounding));
  const quantities = [inside.length > 0 ? 'voltage' : 'current', 'current', ...(level === 3 ? ['power'] : [])] as const;
  const asks = quantities.map((what, k): Ask => {
    const element = (what === 'voltage' ? inside : parts)[k % parts.length] ?? parts[0]!;
    const quantity = what as 'voltage' | 'current' | 'power';
    return {
      id: 'abc'[k]!,
      text: `What is ${askedWords[quantity]} ${element}?`,
      of: { what: quantity, element },
      unit: unitFor(solved[element]![quantity] ?? 0, unitsOf[quantity]),
    };
  });
  return { text, job: jobOf(place.name, network), asks };
}

const askedWords = { voltage: 'the voltage across', current: 'the current in', power: 'the power of' } as const;
const unitsOf = { voltage: 'V', current: 'A', power: 'W' } as const;

/** Power, and the charge that passes in some minutes. */
export function powerProblem(draw: Draw, level: Level): Drafted | null {
  const { place, network, text } = draftCircuit(draw, level);
  const solved = valuesOf(network);
  if (!solved) return null;
  const [one, other] = draw.shuffled(resistorsOf(network));
  const minutes = draw.pick([2, 3, 4, 5, 8, 10, 15, 20]);
  const seconds = minutes * 60;
  const [power, charge] = [solved[one!]!.power ?? 0, (solved[other!]!.current ?? 0) * seconds];
  return {
    text: `${text} It is on for ${minutes} minutes.`,
    job: jobOf(place.name, network),
    asks: [
      {
        id: 'a',
        text: `What power does ${one!} take?`,
        of: { what: 'power', element: one! },
        unit: unitFor(power, 'W'),
      },
      {
        id: 'b',
        text: `What charge passes through ${other!} in the ${minutes} minutes?`,
        of: { what: 'charge', element: other!, seconds },
        unit: unitFor(charge, 'C'),
      },
    ],
  };
}

/** Returns the names of the resistors of a network. */
export const resistorsOf = ({ elements }: Network): string[] =>
  elements.flatMap(({ id, kind }) => (kind === 'resistor' ? [id] : []));

/** A circuit's values, if no part takes more than two watts. */
export function valuesOf(network: Network) {
  const solved = solveUnloaded(network);
  if (!solved.ok) return null;
  const { elements } = solved.value.values;
  return resistorsOf(network).every((id) => (elements[id]!.power ?? 0) <= 2) ? elements : null;
}
