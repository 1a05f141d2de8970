import { formatQuantity } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { supplyDisplays } from '@usual-drag/core/loading';

/** Displays of the bench supplies, which are no measurement of the circuit. */
export function SupplyDisplay({ network, values }: { readonly network: Network; readonly values: NetworkValues }) {
  const displays = supplyDisplays(network, values);
  return displays.map(({ id, volts, amps, voltage, current, limited }) => (
    <section key={id} aria-label={`Display of ${id}`} className="flex items-center gap-3 text-[14px]">
      <span className="figures shrink-0 rounded-md border border-line bg-bar px-2.5 py-1 text-[16px] whitespace-nowrap text-onbar">
        {volts} V · {amps} A{limited && ' · CC'}
      </span>
      <p className="leading-snug text-soft">
        Own display of {id}, at its posts, before leads and clips. It rounds {formatQuantity(voltage, 'V')} and{' '}
        {formatQuantity(current, 'A')}
        {limited ? ', more than its limit allows: the real voltage drops. ' : '. '}Set the supply by the meter.
      </p>
    </section>
  ));
}
