import {
  fail,
  formatQuantity,
  movementOf,
  ok,
  parseQuantity,
  seriesNames,
  toNumber,
  usualParts,
  type MovementFigures,
} from '@usual-drag/core';
import { Plus, Trash2 } from 'lucide-react';
import { Button } from '../ui/button.tsx';
import { Choice } from '../ui/choice.tsx';
import { asCount, inPercent, inUnit, numberField } from '../ui/number-field.ts';
import { Segments } from '../ui/segments.tsx';
import { ValueField } from '../ui/value-field.tsx';
import type { BoardDesign } from './designs-store.ts';

interface Props {
  readonly entry: BoardDesign;
  readonly onChange: (entry: BoardDesign) => void;
}

const figures = [
  ['fullScaleCurrent', 'Full-scale current', 'A', 'current'],
  ['resistance', 'Coil resistance', 'Ω', 'resistance'],
  ['fullScaleVoltage', 'Full-scale voltage', 'V', 'voltage'],
] as const;

/** What is wanted: the movement by any two of its figures, the ranges, the scheme, and what the parts are chosen from. */
export function DesignForm({ entry, onChange }: Props) {
  const { design } = entry;
  const { target, movement, ranges } = design;
  const parts = design.parts ?? usualParts;
  const set = (change: Partial<typeof design>): void => onChange({ ...entry, design: { ...design, ...change } });
  const known = movementOf(movement);
  const unit = target === 'ammeter' ? 'A' : 'V';
  const rising = [...ranges].sort((a, b) => a - b);
  const partsField = (field: ReturnType<typeof numberField<typeof parts>>, className: string) => (
    <ValueField
      label={field.label}
      showLabel
      className={className}
      shown={field.shown}
      read={field.read}
      onCommit={(value) => set({ parts: field.put(value) })}
    />
  );
  return (
    <>
      <ValueField
        label="Name of the meter"
        showLabel
        shown={design.title ?? ''}
        read={(text) => ok(text.trim() || 'Untitled')}
        onCommit={(title) => set({ title })}
      />
      <div className="flex flex-wrap gap-2">
        <Segments
          label="It becomes"
          value={target}
          options={[
            { value: 'ammeter', text: 'ammeter' },
            { value: 'voltmeter', text: 'voltmeter' },
          ]}
          onChange={(next) => set({ target: next, scheme: next === 'ammeter' ? 'universal' : 'string' })}
        />
        <Segments
          label="Scheme"
          wrap
          value={design.scheme}
          options={
            target === 'ammeter'
              ? [
                  { value: 'individual', text: 'a shunt a range' },
                  { value: 'universal', text: 'one tapped shunt' },
                ]
              : [
                  { value: 'individual', text: 'a multiplier a range' },
                  { value: 'string', text: 'one tapped string' },
                ]
          }
          onChange={(scheme) => set({ scheme })}
        />
      </div>
      <section aria-label="Movement" className="flex flex-col gap-1">
        <h2 className="font-bold">Movement, by any two</h2>
        <div className="flex flex-wrap gap-2">
          {figures.map(([key, label, of, figure]) => {
            const field = numberField<MovementFigures>(movement, key, { label, limit: 'positive', ...inUnit(of) });
            const worked = known.ok ? formatQuantity(toNumber(known.value[figure]), of, { digits: 4, trim: true }) : of;
            return (
              <ValueField
                key={key}
                label={label}
                showLabel
                className="w-28"
                shown={field.shown}
                placeholder={worked}
                read={(text) => {
                  const read = field.read(text);
                  if (!read.ok) return read;
                  const made = movementOf(field.put(read.value));
                  return made.ok ? read : fail(made.fault);
                }}
                onCommit={(value) => set({ movement: field.put(value) })}
              />
            );
          })}
          <ValueField
            label="Class"
            showLabel
            className="w-20"
            shown={inPercent.print(entry.movementClass)}
            read={inPercent.parse}
            onCommit={(movementClass) => onChange({ ...entry, movementClass })}
          />
          <ValueField
            label="Divisions"
            showLabel
            className="w-20"
            shown={String(entry.divisions)}
            read={asCount.parse}
            onCommit={(divisions) => onChange({ ...entry, divisions })}
          />
        </div>
      </section>
      <section aria-label="Ranges" className="flex flex-col gap-1">
        <h2 className="font-bold">Ranges</h2>
        <div className="flex flex-wrap items-start gap-2">
          {rising.map((range, index) => (
            <div key={range} className="flex items-start">
              <ValueField
                label={`Range ${index + 1}`}
                className="w-24 [&_input]:border-line"
                shown={inUnit(unit).print(range)}
                read={(text) => {
                  const read = parseQuantity(text, unit);
                  if (!read.ok) return read;
                  if (!(read.value > 0)) return fail({ message: 'Above zero.' });
                  return read.value !== range && ranges.includes(read.value)
                    ? fail({ message: 'It is there already.' })
                    : read;
                }}
                onCommit={(next) => set({ ranges: rising.map((other) => (other === range ? next : other)) })}
              />
              {rising.length > 1 && (
                <Button
                  tone="quiet"
                  className="px-1.5"
                  aria-label={`Remove range ${index + 1}`}
                  onClick={() => set({ ranges: rising.filter((other) => other !== range) })}
                >
                  <Trash2 aria-hidden size={14} />
                </Button>
              )}
            </div>
          ))}
          <Button
            tone="quiet"
            onClick={() => set({ ranges: [...rising, Number(((rising.at(-1) ?? 1) * 10).toPrecision(12))] })}
          >
            <Plus aria-hidden size={15} /> Range
          </Button>
        </div>
      </section>
      <section aria-label="Parts" className="flex flex-col gap-1">
        <h2 className="font-bold">Parts to choose from</h2>
        <div className="flex flex-wrap items-end gap-2">
          <Choice
            label="Series"
            showLabel
            className="w-24"
            value={parts.series}
            options={seriesNames.map((name) => ({ value: name, text: name }))}
            onChange={(series) => set({ parts: { ...parts, series } })}
          />
          {partsField(
            numberField(parts, 'tolerance', { label: 'Tolerance', limit: 'not-negative', needed: true, ...inPercent }),
            'w-20',
          )}
          {partsField(
            numberField(parts, 'powerRating', { label: 'Rating', limit: 'positive', needed: true, ...inUnit('W') }),
            'w-24',
          )}
          <Segments
            label="Parts in a section"
            value={String(parts.maxParts)}
            options={[
              { value: '1', text: '1' },
              { value: '2', text: '2' },
              { value: '3', text: '3' },
            ]}
            onChange={(most) => set({ parts: { ...parts, maxParts: Number(most) } })}
          />
        </div>
      </section>
    </>
  );
}
