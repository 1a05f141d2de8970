import { MovementMeasurementDto } from '@usual-drag/contract/forms';
import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { toNumber } from '@usual-drag/core/solver';
import { measuredMovement, movementOf, type MovementMeasurement, type MeterProject } from '@usual-drag/core/workshop';
import { useMemo } from 'react';
import { Button } from '../../ui/button.tsx';
import { DocumentForm } from '../../ui/form/document-form.tsx';
import { NumberInput } from '../../ui/form/number-input.tsx';
import { inPercent, inUnit } from '../../ui/number-field.ts';
import { Segments } from '../../ui/segments.tsx';

interface Props {
  readonly project: MeterProject;
  readonly onChange: (project: MeterProject) => void;
}

/** A measurement to begin with: what would bring the movement as it is known to full scale, and then to half. */
function begun({ movement }: MeterProject): MovementMeasurement {
  const known = movementOf(movement.figures);
  const [current, coil] = known.ok ? [toNumber(known.value.current), toNumber(known.value.resistance)] : [1e-4, 1000];
  const series = Number((coil * 10).toPrecision(1));
  return {
    method: 'half-deflection',
    supply: Number((current * (series + coil)).toPrecision(4)),
    supplyDoubt: 0.005,
    deflectionDoubt: 0.005,
    tolerance: 0.001,
    series,
    deflection: 1,
    other: Number(((series * coil) / (series + coil)).toPrecision(4)),
    second: 0.5,
  };
}

/** The movement's figures from two deflections, with the method's own error and the uncertainty, to be taken over. */
export function MeasuredForm({ project, onChange }: Props) {
  const measurement = useMemo(() => project.measurement ?? begun(project), [project]);
  const put = (next: MovementMeasurement): void => onChange({ ...project, measurement: next });
  const found = measuredMovement(measurement);
  const half = measurement.method === 'half-deflection';
  const entry = (
    name: keyof MovementMeasurement & string,
    label: string,
    writing: typeof inPercent,
    className = 'w-27',
  ) => (
    <NumberInput
      name={name}
      label={label}
      writing={writing}
      limit={name.endsWith('oubt') || name === 'tolerance' ? 'not-negative' : 'positive'}
      needed
      className={className}
    />
  );
  const plusMinus = ({ value, uncertainty }: { value: number; uncertainty: number }, unit: 'Ω' | 'A'): string =>
    `${formatQuantity(value, unit, { digits: 4 })} ± ${formatPercent(uncertainty / value, { digits: 2 })}`;
  return (
    <details open={project.measurement !== undefined}>
      <summary>From measurements</summary>
      <DocumentForm
        label="Measurement of the movement"
        dto={MovementMeasurementDto}
        values={measurement}
        onChange={put}
        className="mt-1.5 flex flex-col gap-2"
      >
        <Segments
          label="Method"
          value={measurement.method}
          options={[
            { value: 'half-deflection', text: 'half deflection' },
            { value: 'two-readings', text: 'two series resistors' },
          ]}
          onChange={(method) =>
            put({
              ...measurement,
              method,
              ...(method !== measurement.method && { other: half ? 2 * measurement.series : measurement.other }),
            })
          }
        />
        <p className="text-[14px] text-soft">
          {half
            ? 'Connect supply, resistor and movement in series and note the deflection. Then connect a resistor across the movement and note the deflection again.'
            : 'Connect supply, resistor and movement in series and note the deflection. Then replace the resistor with another and note the deflection again.'}
        </p>
        <div className="flex flex-wrap gap-2">
          {entry('supply', 'Supply', inUnit('V'))}
          {entry('series', 'In series', inUnit('Ω'))}
          {entry('deflection', 'Deflection', inPercent)}
          {entry('other', half ? 'Then across it' : 'Then in series', inUnit('Ω'))}
          {entry('second', 'Deflection then', inPercent)}
        </div>
        <div className="flex flex-wrap gap-2">
          {entry('supplyDoubt', 'Supply ±', inPercent, 'w-20')}
          {entry('deflectionDoubt', 'Needle ±', inPercent, 'w-20')}
          {entry('tolerance', 'Resistors ±', inPercent, 'w-22')}
        </div>
        {found.ok ? (
          <>
            <p className="figures text-[15px]">
              {plusMinus(found.value.resistance, 'Ω')}, {plusMinus(found.value.fullScaleCurrent, 'A')}
            </p>
            {found.value.simple && Math.abs(measurement.second / measurement.deflection - 0.5) < 0.02 && (
              <p className="text-[14px] text-soft">
                The resistor across taken for the coil itself would be{' '}
                {formatPercent(found.value.simple.error, { signed: true, digits: 2 })} off: the current rises when it is
                connected.
              </p>
            )}
            <Button
              className="self-start"
              onClick={() =>
                onChange({
                  ...project,
                  measurement,
                  movement: {
                    ...project.movement,
                    figures: {
                      fullScaleCurrent: found.value.fullScaleCurrent.value,
                      resistance: found.value.resistance.value,
                    },
                  },
                })
              }
            >
              Use these figures
            </Button>
          </>
        ) : (
          <p className="text-[14px] text-fault">{found.fault.message}</p>
        )}
      </DocumentForm>
    </details>
  );
}
