import type { Network, Source } from '../network/index.ts';
import type { NetworkValues } from '../solver/index.ts';

/** Display of a bench supply. */
export interface SupplyDisplay {
  readonly id: string;
  /** As such displays show them, to a tenth of a volt and ten milliamperes. */
  readonly volts: string;
  readonly amps: string;
  /** V and A at its posts. */
  readonly voltage: number;
  readonly current: number;
  /** It has run into its current limit. */
  readonly limited: boolean;
}

/**
 * The displays of the supplies that have a current limit, and so are bench supplies. They look at the posts, not at the
 * clips, and cannot see what is below their last digit.
 */
export function supplyDisplays(network: Network, values: NetworkValues): SupplyDisplay[] {
  return network.elements
    .filter((e): e is Source => e.kind === 'source' && e.currentLimit !== undefined)
    .flatMap(({ id, currentLimit }) => {
      const { voltage, current } = values.elements[id] ?? {};
      if (voltage == null || current == null) return [];
      const limited = Math.abs(current) > currentLimit!;
      const amps = limited ? Math.sign(current) * currentLimit! : current;
      return [{ id, voltage, current, limited, volts: fixed(voltage, 1), amps: fixed(amps, 2) }];
    });
}

/** A number with so many decimals; one that rounds to 0 has no sign. */
const fixed = (value: number, decimals: number): string => {
  const text = value.toFixed(decimals);
  return Number(text) === 0 ? text.replace('-', '') : text.replace('-', '−');
};
