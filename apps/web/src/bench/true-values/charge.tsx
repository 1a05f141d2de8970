import { formatDuration, formatQuantity, parseDuration } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { useState } from 'react';
import { ValueField } from '../../ui/value-field.tsx';
import { usePartInHand } from '../model/selection.ts';

/** Charge that passes through a part in a given time; minutes and seconds are distinguished by their unit. */
export function Charge({ network, values }: { readonly network: Network; readonly values: NetworkValues }) {
  const [time, setTime] = useState(300);
  const inHand = usePartInHand();
  const part = network.elements.find(({ id }) => id === inHand) ?? network.elements[0]!;
  const current = values.elements[part.id]?.current ?? null;
  return (
    <div className="flex items-end gap-3">
      <ValueField
        label="In a time of"
        showLabel
        shown={formatDuration(time)}
        read={parseDuration}
        onCommit={setTime}
        className="w-28"
      />
      <p className="pb-1.5 text-[14px]">
        <b>{part.id}</b> passes{' '}
        <span className="figures">{formatQuantity(current === null ? null : Math.abs(current) * time, 'C')}</span>
        {current !== null && (
          <span className="text-soft"> ({formatQuantity((Math.abs(current) * time) / 3600, 'A')}h)</span>
        )}
      </p>
    </div>
  );
}
