import { networkCautions, solveUnloaded } from '../loading/index.ts';
import { nodesOf, referenceOf, type Network } from '../network/index.ts';
import { formatQuantity } from '../quantity/index.ts';
import type { NetworkValues } from '../solver/index.ts';
import type { Board } from './board.ts';
import { builtNetwork, builtNode } from './built-network.ts';
import { matchNodes } from './match-nodes.ts';

/** Effect of a board on what is read: the largest difference from the drawing. */
export type BoardEffect =
  | { readonly kind: 'none' }
  | {
      readonly kind: 'voltage';
      readonly red: string;
      readonly black: string;
      /** V; null if one of the two nodes is connected to nothing. */
      readonly built: number | null;
      /** V. */
      readonly drawn: number;
    }
  | {
      readonly kind: 'current';
      readonly part: string;
      /** A. */
      readonly built: number;
      /** A. */
      readonly drawn: number;
    }
  /** The circuit cannot be solved: sources contradict each other or are shorted. */
  | { readonly kind: 'shorted' };

/** Share of the largest value below which a difference is rounding of the solution. */
const noise = 1e-9;

/** Returns the largest effect of a board on the true values: on a potential, otherwise on a current. */
export function boardEffect(network: Network, board: Board): BoardEffect {
  const sound = solveUnloaded(network);
  const match = matchNodes(network, board);
  const built = builtNetwork(network, board, match);
  if (!sound.ok || !built) return { kind: 'none' };
  const solved = solveUnloaded(built);
  if (!solved.ok) return { kind: 'shorted' };
  const black = referenceOf(network)!;
  const drawn = sound.value.values;
  const made = solved.value.values;
  const potential = (node: string): number | null => {
    const [above, below] = [builtNode(match, node), builtNode(match, black)];
    return above === null || below === null ? null : difference(made, above, below);
  };
  const voltages = nodesOf(network).flatMap((red) => {
    const value = red === black ? null : difference(drawn, red, black);
    return value === null ? [] : [{ kind: 'voltage', red, black, built: potential(red), drawn: value } as const];
  });
  const currents = network.elements.flatMap(({ id }) => {
    const [before, after] = [drawn.elements[id]?.current ?? null, made.elements[id]?.current ?? 0];
    return before === null ? [] : [{ kind: 'current', part: id, built: after, drawn: before } as const];
  });
  return mostOf(voltages) ?? mostOf(currents) ?? { kind: 'none' };
}

function difference({ nodes }: NetworkValues, red: string, black: string): number | null {
  const [above, below] = [nodes[red] ?? null, nodes[black] ?? null];
  return above === null || below === null ? null : above - below;
}

/** Returns the value that differs most; one that is undefined on the board only if no other differs. */
function mostOf<V extends { readonly built: number | null; readonly drawn: number }>(values: readonly V[]): V | null {
  const largest = Math.max(0, ...values.flatMap(({ built, drawn }) => [Math.abs(built ?? 0), Math.abs(drawn)]));
  let most: V | null = null;
  const changeOf = ({ built, drawn }: V): number => (built === null ? 0 : Math.abs(built - drawn));
  for (const value of values) if (changeOf(value) > Math.max(noise * largest, most ? changeOf(most) : 0)) most = value;
  return most ?? values.find(({ built }) => built === null) ?? null;
}

/** Returns an effect as a sentence. */
export function effectSentence(effect: BoardEffect): string {
  switch (effect.kind) {
    case 'none':
      return 'No reading changes.';
    case 'shorted':
      return 'A source would be short-circuited. Do not switch on.';
    case 'current':
      return `The current in ${effect.part} would be ${withUnit(effect.built, 'A')}, not ${withUnit(effect.drawn, 'A')}.`;
    case 'voltage':
      return effect.built === null
        ? `The voltage ${effect.red} to ${effect.black} would be undefined, not ${withUnit(effect.drawn, 'V')}.`
        : `The voltage ${effect.red} to ${effect.black} would be ${withUnit(effect.built, 'V')}, not ${withUnit(effect.drawn, 'V')}.`;
  }
}

const withUnit = (value: number, unit: 'V' | 'A'): string => formatQuantity(value, unit, { digits: 3 });

/** Returns the cautions that the circuit on the board raises and the drawn one does not, such as a part that would burn. */
export function boardCautions(network: Network, built: Network | null): string[] {
  if (!built) return [];
  const [sound, made] = [solveUnloaded(network), solveUnloaded(built)];
  const known = new Set(sound.ok ? networkCautions(network, sound.value.values).map(({ message }) => message) : []);
  const raised = made.ok ? networkCautions(built, made.value.values) : [];
  return raised.filter(({ message }) => !known.has(message)).map(({ message }) => message);
}
