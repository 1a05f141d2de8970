import type { Network } from '@usual-drag/core/network';
import type { BenchPlace } from '@usual-drag/core/practice';
import { useState } from 'react';
import { Button } from '../ui/button.tsx';
import { Choice } from '../ui/choice.tsx';
import { Note } from '../ui/note.tsx';
import { Segments } from '../ui/segments.tsx';

interface Props {
  readonly network: Network;
  readonly nodes: readonly string[];
  readonly onRead: (spot: BenchPlace) => void;
}

const functions = [
  { value: 'dc-voltage', text: 'V costs 1' },
  { value: 'dc-current', text: 'A costs 3' },
  { value: 'resistance', text: 'Ω costs 5' },
] as const;

/** Place of the meter and its quantity. */
export function PlaceMeter({ network, nodes, onRead }: Props) {
  const [quantity, setQuantity] = useState<(typeof functions)[number]['value']>('dc-voltage');
  const [red, setRed] = useState(nodes[0] ?? '');
  const [black, setBlack] = useState(nodes.at(-1) ?? '');
  const resistors = network.elements.filter(({ kind }) => kind === 'resistor');
  const parts = quantity === 'resistance' ? resistors : network.elements;
  const [chosen, setPart] = useState(resistors[0]?.id ?? '');
  const part = parts.find(({ id }) => id === chosen) ?? parts[0];
  const meter = { instrument: 'digital-2000', range: '' };
  const spot = (): BenchPlace | null => {
    if (quantity === 'dc-voltage') return red === black ? null : { ...meter, quantity, red, black };
    if (!part) return null;
    return quantity === 'resistance'
      ? { ...meter, quantity, element: part.id }
      : { ...meter, quantity, node: part.from, ends: [`${part.id}.from`] };
  };
  const place = spot();
  const options = (names: readonly string[]) => names.map((name) => ({ value: name, text: name }));
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-2">
        <Segments label="Function and its cost" value={quantity} options={functions} onChange={setQuantity} />
        {quantity === 'dc-voltage' ? (
          <>
            <Choice
              label="Red lead on"
              showLabel
              className="w-24"
              value={red}
              options={options(nodes)}
              onChange={setRed}
            />
            <Choice
              label="Black lead on"
              showLabel
              className="w-24"
              value={black}
              options={options(nodes)}
              onChange={setBlack}
            />
          </>
        ) : (
          <Choice
            label={quantity === 'dc-current' ? 'In line with' : 'Part, out of circuit'}
            showLabel
            className="w-28"
            value={part?.id ?? ''}
            options={options(parts.map(({ id }) => id))}
            onChange={setPart}
          />
        )}
        <Button tone="strong" disabled={!place} onClick={() => place && onRead(place)}>
          Read
        </Button>
      </div>
      {quantity !== 'dc-voltage' && (
        <Note kind="limit">
          {quantity === 'dc-current'
            ? 'On a real bench: de-energise before you open the circuit for the ammeter, and never lay it across a supply.'
            : 'On a real bench: supply off and proven dead, the part isolated, before its resistance is measured.'}
        </Note>
      )}
    </div>
  );
}
