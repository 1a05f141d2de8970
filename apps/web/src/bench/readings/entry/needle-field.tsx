import { readFigure, type Dial } from '@usual-drag/core/drawing';
import { valueAt } from '@usual-drag/core/workshop';
import { useState } from 'react';

interface Props {
  readonly dial: Dial;
  /** V or A; null if there is none. */
  readonly reading: number | null;
  readonly onPlace: (value: number) => void;
}

/** Field for the figure at the needle; the figure is converted to the display. */
export function NeedleField({ dial, reading, onPlace }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (reading === null ? '' : String(readFigure(dial, reading)));
  return (
    <label className="flex items-center gap-2 text-soft">
      Needle at
      <input
        inputMode="decimal"
        autoComplete="off"
        data-typing="true"
        className="figures min-h-9 w-20 rounded-lg border border-line bg-ground px-2 text-[17px] text-ochre pointer-coarse:min-h-11"
        value={shown}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          const figure = Number(text.replace(',', '.'));
          if (text.trim() !== '' && Number.isFinite(figure)) onPlace(valueAt(dial.scale, dial.range, figure));
        }}
        onBlur={() => setTyped(null)}
      />
    </label>
  );
}
