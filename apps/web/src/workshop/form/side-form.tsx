import { fail } from '@usual-drag/core/result';
import { parseQuantity } from '@usual-drag/core/quantity';
import { type Side, unitOfTarget } from '@usual-drag/core/workshop';
import { Plus, Trash2 } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { inUnit } from '../../ui/number-field.ts';
import { Segments } from '../../ui/segments.tsx';
import { ValueField } from '../../ui/value-field.tsx';

interface Props {
  readonly side: Side;
  /** The meter has another side; this one can go. */
  readonly onRemove: (() => void) | null;
  /** Whether the other side has a universal shunt that a voltmeter may be connected across. */
  readonly hasUniversalShunt: boolean;
  readonly onChange: (side: Side) => void;
}

const schemes = {
  ammeter: [
    { value: 'individual', text: 'individual shunts' },
    { value: 'universal', text: 'universal shunt' },
  ],
  voltmeter: [
    { value: 'individual', text: 'individual multipliers' },
    { value: 'string', text: 'multiplier chain' },
  ],
} as const;

/** One side of the meter: its scheme and its ranges. */
export function SideForm({ side, onRemove, hasUniversalShunt, onChange }: Props) {
  const { target, ranges } = side;
  const unit = unitOfTarget(target);
  const rising = [...ranges].sort((a, b) => a - b);
  const name = target === 'ammeter' ? 'Ammeter' : 'Voltmeter';
  return (
    <section aria-label={name} className="flex flex-col gap-1.5">
      <div className="flex items-center justify-between">
        <h2 className="font-bold">{name}</h2>
        {onRemove && (
          <Button tone="quiet" className="px-1.5" aria-label={`Remove the ${target}`} onClick={onRemove}>
            <Trash2 aria-hidden size={15} />
          </Button>
        )}
      </div>
      <Segments
        label={`Scheme of the ${target}`}
        wrap
        value={side.scheme}
        options={schemes[target]}
        onChange={(scheme) => onChange({ ...side, scheme })}
      />
      {target === 'voltmeter' && hasUniversalShunt && (
        <Segments
          label="Multipliers connected to"
          wrap
          value={side.across ?? 'movement'}
          options={[
            { value: 'movement', text: 'the movement alone' },
            { value: 'shunt', text: 'movement and shunt' },
          ]}
          onChange={(across) => onChange({ ...side, across })}
        />
      )}
      <div className="flex flex-wrap items-start gap-x-1 gap-y-1.5">
        {rising.map((range, index) => (
          <div key={range} className="flex items-start">
            <ValueField
              label={`${unit === 'A' ? 'Current' : 'Voltage'} range ${index + 1}`}
              className="w-22 [&_input]:border-line"
              shown={inUnit(unit).print(range)}
              read={(text) => {
                const read = parseQuantity(text, unit);
                if (!read.ok) return read;
                if (!(read.value > 0)) return fail({ message: 'Above zero.' });
                return read.value !== range && ranges.includes(read.value)
                  ? fail({ message: 'This range already exists.' })
                  : read;
              }}
              onCommit={(next) =>
                onChange({ ...side, ranges: rising.map((other) => (other === range ? next : other)) })
              }
            />
            {rising.length > 1 && (
              <Button
                tone="quiet"
                className="px-1.5"
                aria-label={`Remove ${unit === 'A' ? 'current' : 'voltage'} range ${index + 1}`}
                onClick={() => onChange({ ...side, ranges: rising.filter((other) => other !== range) })}
              >
                <Trash2 aria-hidden size={14} />
              </Button>
            )}
          </div>
        ))}
        <Button
          tone="quiet"
          aria-label={`One more ${unit === 'A' ? 'current' : 'voltage'} range`}
          onClick={() =>
            onChange({ ...side, ranges: [...rising, Number(((rising.at(-1) ?? 1) * 10).toPrecision(12))] })
          }
        >
          <Plus aria-hidden size={15} /> Range
        </Button>
      </div>
    </section>
  );
}
