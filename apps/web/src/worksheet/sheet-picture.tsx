import type { Network } from '@usual-drag/core/network';
import type { Worksheet } from '@usual-drag/core/worksheet';
import { useMemo } from 'react';
import { NetworkPicture } from '../drawing/network-picture.tsx';

/** The circuit of a sheet, with a value for every part so that it can be drawn and reduced. */
export const circuitOfSheet = ({ network }: Worksheet): Network => ({
  ...network,
  elements: network.elements.map(({ id, kind, from, to }) =>
    kind === 'source' ? { id, kind, from, to, emf: 1 } : { id, kind, from, to, resistance: 1000 },
  ),
});

/** The sheet's circuit on the rails, by its names. */
export function SheetPicture({ sheet }: { readonly sheet: Worksheet }) {
  const network = useMemo(() => circuitOfSheet(sheet), [sheet]);
  if (network.elements.length === 0) return <p className="text-soft">Add a source and a resistor to begin with.</p>;
  return (
    <div className="rounded-xl border border-line bg-sheet p-3">
      <NetworkPicture network={network} label="Circuit of the worksheet" bare height={190} className="max-h-60" />
    </div>
  );
}
