import { formatQuantity } from '@usual-drag/core/quantity';
import { superpose } from '@usual-drag/core/reduction';
import { isLinear, type Unloaded } from '@usual-drag/core/loading';
import { useMemo, useState } from 'react';
import { Segments } from '../../ui/segments.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { ByTangents } from './by-tangents.tsx';

/** Contribution of each source with the others at rest, and the sum of the contributions. */
export function Superposition({ unloaded }: { readonly unloaded: Unloaded }) {
  const { network, tangent, values } = unloaded;
  const [what, setWhat] = useState<'current' | 'voltage'>('current');
  const parts = useMemo(() => superpose(network, tangent), [network, tangent]);
  const unit = what === 'current' ? 'A' : 'V';
  if (!parts.ok || parts.value.length === 0) return <p className="p-4">This network has no source.</p>;
  const sources = parts.value;
  return (
    <div
      className="flex min-h-0 grow flex-col gap-3 overflow-auto p-4"
      tabIndex={0}
      role="region"
      aria-label="Superposition"
    >
      <p className="max-w-2xl text-[15px]">
        Each source alone, the others set to zero: a voltage source is replaced by its internal resistance, a current
        source is open. The contributions add up with their signs; powers do not.
      </p>
      <ByTangents unloaded={unloaded}>
        Contributions add up only if every part is linear. Here each load is replaced by its tangent at the operating
        point: a resistance, and an EMF that counts as one more source.
      </ByTangents>
      <Segments
        label="Of every part"
        showLabel
        value={what}
        options={[
          { value: 'current', text: 'current' },
          { value: 'voltage', text: 'voltage' },
        ]}
        onChange={setWhat}
      />
      <FiguresTable
        label="Superposition"
        head={['Part', ...sources.map(({ source }) => `by ${source} alone`), 'sum', 'the whole']}
        rows={network.elements.map(({ id }) => {
          const shares = sources.map((source) => source.values.elements[id]?.[what] ?? null);
          const sum = shares.reduce<number | null>((total, s) => (total === null || s === null ? null : total + s), 0);
          return {
            key: id,
            cells: [
              id,
              ...shares.map((share) => formatQuantity(share, unit, { signed: true })),
              formatQuantity(sum, unit, { signed: true }),
              formatQuantity(values.elements[id]?.[what] ?? null, unit, { signed: true }),
            ],
          };
        })}
      />
      {sources.length === 1 && isLinear(unloaded) && (
        <p className="text-soft">With one source there is nothing to superpose.</p>
      )}
    </div>
  );
}
