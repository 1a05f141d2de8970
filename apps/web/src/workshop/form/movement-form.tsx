import { formatQuantity } from '@usual-drag/core/quantity';
import { toNumber } from '@usual-drag/core/solver';
import {
  movementInUse,
  movementOf,
  type BuiltIn,
  type MovementFigures,
  type MeterProject,
} from '@usual-drag/core/workshop';
import { Choice } from '../../ui/choice.tsx';
import { asCount, inPercent, inUnit } from '../../ui/number-field.ts';
import { NumberInput } from '../../ui/form/number-input.tsx';
import { Segments } from '../../ui/segments.tsx';
import { MeasuredForm } from './measured-form.tsx';

interface Props {
  readonly project: MeterProject;
  readonly onChange: (project: MeterProject) => void;
}

const figures = [
  ['fullScaleCurrent', 'Full-scale current', 'A', 'current'],
  ['resistance', 'Coil resistance', 'Ω', 'resistance'],
  ['fullScaleVoltage', 'Full-scale voltage', 'V', 'voltage'],
] as const;

/** The movement: by any two of its figures or by measuring it, its class, what is in it already, and its coil. */
export function MovementForm({ project, onChange }: Props) {
  const { movement } = project;
  const known = movementOf(movement.figures);
  const inUse = movementInUse(movement);
  const print = (value: number, unit: 'A' | 'Ω' | 'V'): string =>
    formatQuantity(value, unit, { digits: 4, trim: true });
  const { builtIn, swamping } = movement;
  return (
    <section aria-label="Movement" className="flex flex-col gap-1.5">
      <h2 className="font-bold">Movement, by any two</h2>
      <div className="flex flex-wrap gap-2">
        {figures.map(([key, label, unit, figure]) => (
          <NumberInput
            key={key}
            name={`movement.figures.${key}`}
            label={label}
            writing={inUnit(unit)}
            className="w-27"
            placeholder={known.ok ? print(toNumber(known.value[figure]), unit) : unit}
            check={(value) => movementOf(withFigure(movement.figures, key, value))}
          />
        ))}
        <NumberInput
          name="movementClass"
          label="Class"
          writing={inPercent}
          limit="not-negative"
          needed
          className="w-20"
        />
        <NumberInput name="divisions" label="Divisions" writing={asCount} limit="count" needed className="w-20" />
      </div>
      <MeasuredForm project={project} onChange={onChange} />
      <AlreadyInIt project={project} onChange={onChange} />
      {(builtIn || swamping !== undefined) && (
        <p className={inUse.ok ? 'text-[14px] text-soft' : 'text-[14px] text-fault'}>
          {inUse.ok
            ? `In use as ${print(toNumber(inUse.value.current), 'A')}, ${print(toNumber(inUse.value.resistance), 'Ω')}, ${print(toNumber(inUse.value.voltage), 'V')}.`
            : inUse.fault.message}
        </p>
      )}
    </section>
  );
}

/** Resistance that the maker built in, and resistance in series with the coil. */
function AlreadyInIt({ project, onChange }: Props) {
  const { movement } = project;
  const { builtIn, swamping } = movement;
  const known = movementOf(movement.figures);
  const putBuiltIn = (next: BuiltIn | null): void => {
    const { builtIn: _was, ...rest } = movement;
    onChange({ ...project, movement: next ? { ...rest, builtIn: next } : rest });
  };
  // One to begin with that could have been in there, to be typed over.
  const begun = (kind: BuiltIn['kind']): BuiltIn => ({
    kind,
    resistance: Number(
      ((known.ok ? toNumber(known.value.resistance) : 1000) * (kind === 'shunt' ? 10 : 0.1)).toPrecision(2),
    ),
    figuresOf: builtIn?.figuresOf ?? 'meter',
    stays: builtIn?.stays ?? false,
  });
  return (
    <details open={builtIn !== undefined || swamping !== undefined}>
      <summary>Already in it, and in series with the coil</summary>
      <div className="mt-1.5 flex flex-col gap-2">
        <Segments
          label="Built in"
          value={builtIn?.kind ?? 'nothing'}
          options={[
            { value: 'nothing', text: 'nothing' },
            { value: 'shunt', text: 'a shunt' },
            { value: 'multiplier', text: 'a multiplier' },
          ]}
          onChange={(kind) => putBuiltIn(kind === 'nothing' ? null : begun(kind))}
        />
        {builtIn && (
          <div className="flex flex-wrap items-end gap-2">
            <NumberInput
              name="movement.builtIn.resistance"
              label="Its resistance"
              writing={inUnit('Ω')}
              needed
              className="w-26"
            />
            <Choice
              label="The figures are of"
              showLabel
              className="w-36"
              value={builtIn.figuresOf}
              options={[
                { value: 'meter', text: 'coil and it' },
                { value: 'coil', text: 'the coil alone' },
              ]}
              onChange={(figuresOf) => putBuiltIn({ ...builtIn, figuresOf })}
            />
            <Choice
              label="It is"
              showLabel
              className="w-30"
              value={builtIn.stays ? 'stays' : 'goes'}
              options={[
                { value: 'goes', text: 'taken out' },
                { value: 'stays', text: 'left in' },
              ]}
              onChange={(stays) => putBuiltIn({ ...builtIn, stays: stays === 'stays' })}
            />
          </div>
        )}
        <div className="flex flex-wrap gap-2">
          <NumberInput
            name="movement.swamping"
            label="Swamping resistor"
            writing={inUnit('Ω')}
            limit="not-negative"
            className="w-32"
            placeholder="none"
          />
          <NumberInput
            name="movement.coilCoefficient"
            label="Coil’s temperature coefficient, per K"
            writing={inPercent}
            limit="any"
            className="w-32"
            placeholder="0.393 %"
          />
        </div>
      </div>
    </details>
  );
}

/** The figures with one of them set, or left out. */
function withFigure(figures: MovementFigures, key: keyof MovementFigures, value: number | undefined): MovementFigures {
  const { [key]: _was, ...rest } = figures;
  return value === undefined ? rest : { ...rest, [key]: value };
}
