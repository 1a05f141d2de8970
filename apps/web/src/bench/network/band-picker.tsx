import { bandInks } from '@usual-drag/core/drawing';
import {
  bandPlaces,
  bandsOf,
  coloursFor,
  formatPercent,
  formatQuantity,
  readBands,
  type Band,
} from '@usual-drag/core/quantity';
import type { Resistor } from '@usual-drag/core/network';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Segments } from '../../ui/segments.tsx';

interface Props {
  readonly resistor: Resistor;
  readonly onChange: (resistance: number, tolerance: number | undefined) => void;
}

const placeNames = {
  digit: 'figure',
  multiplier: 'times',
  tolerance: 'tolerance',
  temperature: 'temperature',
} as const;

/** The colour bands of a resistor: drawn from its value, or chosen to give it one. */
export function BandPicker({ resistor, onChange }: Props) {
  const [picked, setPicked] = useState<readonly Band[] | null>(null);
  const bands = picked && sameValue(picked, resistor) ? picked : bandsOf(resistor.resistance, resistor.tolerance);
  const count = bands?.length ?? 4;
  const places = bandPlaces(count);
  const read = bands && readBands(bands);
  const drift = read?.ok ? read.value.temperatureCoefficient : null;
  const take = (next: readonly Band[]): void => {
    setPicked(next);
    const said = readBands(next);
    if (said.ok) onChange(said.value.resistance, next.length === 3 ? undefined : said.value.tolerance);
  };
  const withCount = (n: number): void => {
    const now = bands ?? ['brown', 'black', 'red', 'gold'];
    const at = (place: ReturnType<typeof bandPlaces>[number], index: number): Band => {
      const before = now.filter((_, i) => bandPlaces(now.length)[i] === place);
      const nth = bandPlaces(n)
        .slice(0, index)
        .filter((other) => other === place).length;
      return before[nth] ?? (place === 'digit' ? 'black' : place === 'temperature' ? 'brown' : 'gold');
    };
    take(bandPlaces(n).map((place, index) => at(place, index)));
  };
  return (
    <section aria-label={`Colour bands of ${resistor.id}`} className="flex flex-col gap-2">
      {bands ? (
        <Body bands={bands} />
      ) : (
        <p className="text-[14px] text-soft">
          No colour bands exist for {formatQuantity(resistor.resistance, 'Ω', { digits: 6, trim: true })}
          {resistor.tolerance !== undefined && ` at ${formatPercent(resistor.tolerance, { trim: true })}`}.
        </p>
      )}
      <div className="flex flex-wrap items-end gap-1.5">
        <Segments
          label="Bands"
          value={String(count)}
          options={['3', '4', '5', '6'].map((n) => ({ value: n, text: n }))}
          onChange={(n) => withCount(Number(n))}
        />
        {bands?.map((band, index) => (
          <Choice
            key={index}
            label={`Band ${index + 1}, ${placeNames[places[index]!]}`}
            className="w-[7.2rem]"
            value={band}
            options={coloursFor(places[index]!).map((colour) => ({
              value: colour,
              text: (
                <span className="inline-flex items-center gap-1.5">
                  <span className="size-4 rounded-sm border border-line" style={{ background: bandInks[colour] }} />
                  {colour}
                </span>
              ),
            }))}
            onChange={(colour) => take(bands.map((other, i) => (i === index ? colour : other)))}
          />
        ))}
      </div>
      {drift !== null && (
        <p className="text-[14px] text-soft">
          Temperature coefficient {drift * 1e6} ppm/K, {formatPercent(drift * 10, { digits: 2 })} over 10 K.
        </p>
      )}
    </section>
  );
}

function sameValue(bands: readonly Band[], { resistance, tolerance }: Resistor): boolean {
  const read = readBands(bands);
  return (
    read.ok && read.value.resistance === resistance && (tolerance === undefined || read.value.tolerance === tolerance)
  );
}

/** A resistor as it lies on the bench, its bands in reading order, the last one apart. */
function Body({ bands }: { readonly bands: readonly Band[] }) {
  const closing = bands.length >= 4 ? 1 : 0;
  const x = (index: number): number => (index >= bands.length - closing && closing ? 258 : 92 + index * 34);
  return (
    <svg viewBox="0 0 380 56" role="img" aria-label={`Bands: ${bands.join(', ')}`} className="w-full max-w-96">
      <path d="M0 28H380" stroke="#8a8378" strokeWidth={5} />
      <rect x={58} y={5} width={250} height={46} rx={20} fill="#ead9b8" stroke="#b39b6b" strokeWidth={1.5} />
      {bands.map((band, index) => (
        <rect key={index} x={x(index)} y={5} width={15} height={46} fill={bandInks[band]} />
      ))}
    </svg>
  );
}
