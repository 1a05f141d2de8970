import type { Network } from '@usual-drag/core/network';
import type { BenchPlace } from '@usual-drag/core/practice';
import { Button } from '../ui/button.tsx';
import { Note } from '../ui/note.tsx';
import { Segments } from '../ui/segments.tsx';
import { placeOf, spotWords, type HuntSpot } from './hunt-place.ts';

interface Props {
  readonly network: Network;
  readonly spot: HuntSpot;
  /** Parts can be taken out to be measured. */
  readonly partsOut: boolean;
  readonly onSpot: (spot: HuntSpot) => void;
  readonly onRead: (place: BenchPlace) => void;
}

const functions = [
  { value: 'dc-voltage', text: 'V costs 1' },
  { value: 'dc-current', text: 'A costs 3' },
  { value: 'resistance', text: 'Ω costs 5' },
] as const;

const hints = {
  'dc-voltage': 'Drag the leads in the drawing, or pick two rails or a part.',
  'dc-current': 'Pick the part that the ammeter is in series with.',
  resistance: 'Pick the resistor to take out.',
} as const;

/** Function of the meter, its place in words, and the reading. The place itself is chosen in the drawing. */
export function PlaceMeter({ network, spot, partsOut, onSpot, onRead }: Props) {
  const { quantity } = spot;
  const place = placeOf(spot, network);
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <Segments
          label="Function and its cost"
          value={quantity}
          options={functions.filter(({ value }) => partsOut || value !== 'resistance')}
          onChange={(next) => onSpot({ ...spot, quantity: next })}
        />
        <Button tone="strong" disabled={!place} onClick={() => place && onRead(place)}>
          Read
        </Button>
      </div>
      <p role="status">
        <b>{spotWords(spot)}.</b> <span className="text-soft">{hints[quantity]}</span>
      </p>
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
