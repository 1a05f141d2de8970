import {
  formatPercent,
  nearestPreferred,
  printedCodeOf,
  readPrintedCode,
  seriesForTolerance,
  seriesOf,
  ohms,
} from '@usual-drag/core/quantity';
import {
  deviationOf,
  replaceElement,
  samePoint,
  usualLoads,
  withoutCurve,
  type Element,
  type Load,
  type Resistor,
} from '@usual-drag/core/network';
import { changeNetwork, editElement, sameValue } from '@usual-drag/core/job';
import clsx from 'clsx';
import { memo } from 'react';
import { Button } from '../../ui/button.tsx';
import { ValueField } from '../../ui/value-field.tsx';
import { useBench } from '../model/bench-store.ts';
import { BandPicker } from './band-picker.tsx';
import { fieldsOfKind } from './by-kind.ts';

/** Everything known about the selected part. */
export const PartCard = memo(function PartCard({ element }: { readonly element: Element }) {
  const edit = useBench((state) => state.edit);
  const replace = (next: Element): void => edit((job) => editElement(job, element.id, next));
  const { main, second, more, words, flags } = fieldsOfKind(element.kind);
  const fields = [main, second, ...more].flatMap((field) => (field ? [field(element)] : []));
  return (
    <section
      aria-label={`All about ${element.id}`}
      className="flex flex-col gap-2 rounded-lg border border-line bg-sheet px-3 py-2"
    >
      <h2 className="font-bold">
        {element.id}{' '}
        <span className="font-normal text-soft">
          from {element.from} to {element.to}
        </span>
      </h2>
      <Shorted element={element} />
      <div className="grid grid-cols-3 gap-x-3 gap-y-1.5">
        {fields.map((field) => (
          <ValueField
            key={`${element.id}-${field.key}`}
            label={field.label}
            shown={field.shown}
            read={field.read}
            placeholder="not given"
            showLabel
            onCommit={(value) => replace(field.put(value))}
          />
        ))}
        {element.kind === 'resistor' && (
          <ValueField
            key={`${element.id}-code`}
            label="Printed code"
            shown={printedCodeOf(element.resistance, element.tolerance) ?? ''}
            read={readPrintedCode}
            placeholder="4K7J, 473, 68C"
            showLabel
            onCommit={({ resistance, tolerance }) =>
              replace({ ...element, resistance, ...(tolerance !== null && { tolerance }) })
            }
          />
        )}
        {words.map(({ key, label }) => (
          <ValueField
            key={`${element.id}-${key}`}
            label={label}
            shown={(element as Partial<Record<typeof key, string>>)[key] ?? ''}
            read={(typed) => ({ ok: true, value: typed.trim() })}
            placeholder="not given"
            showLabel
            onCommit={(value) => replace(withWord(element, key, value))}
          />
        ))}
        {flags.map(({ key, label }) => (
          <Tick
            key={`${element.id}-${key}`}
            text={label}
            isOn={(element as Partial<Record<typeof key, boolean>>)[key] ?? false}
            onChange={(isOn) => replace(withFlag(element, key, isOn))}
          />
        ))}
        <ValueField
          key={`${element.id}-label`}
          label="Purpose"
          shown={element.label ?? ''}
          read={(text) => ({ ok: true, value: text.trim() })}
          placeholder="not given"
          showLabel
          className="col-span-3"
          onCommit={(label) => {
            const { label: _old, ...rest } = element;
            replace(label === '' ? rest : { ...rest, label });
          }}
        />
      </div>
      {element.kind === 'load' && <Curve load={element} onTake={replace} />}
      {element.kind === 'resistor' && (
        <>
          <BandPicker
            key={element.id}
            resistor={element}
            onChange={(resistance, tolerance) => {
              const { tolerance: _old, ...rest } = element;
              edit((job) =>
                changeNetwork(
                  job,
                  replaceElement(job.network, element.id, {
                    ...rest,
                    resistance,
                    ...(tolerance !== undefined && { tolerance }),
                  }),
                ),
              );
            }}
          />
          <Verdicts resistor={element} onTake={(resistance) => replace({ ...element, resistance })} />
        </>
      )}
    </section>
  );
});

/** Returns a part with a word of its own; an empty word is removed. */
function withWord(element: Element, key: string, word: string): Element {
  const rest = Object.fromEntries(Object.entries(element).filter(([own]) => own !== key)) as unknown as Element;
  return word === '' ? rest : { ...rest, [key]: word };
}

/** A part with something that it is or is not. */
function withFlag<T extends Element>(element: T, key: 'momentary' | 'polarised', isOn: boolean): T {
  const { [key]: _former, ...rest } = element as T & Record<string, unknown>;
  return (isOn ? { ...rest, [key]: true } : rest) as T;
}

interface TickProps {
  readonly text: string;
  readonly isOn: boolean;
  readonly onChange: (isOn: boolean) => void;
}

function Tick({ text, isOn, onChange }: TickProps) {
  return (
    <label className="flex min-h-9 items-center gap-2 self-end text-[15px] pointer-coarse:min-h-11">
      <input
        type="checkbox"
        className="size-5 accent-(--ochre-line)"
        checked={isOn}
        onChange={({ target }) => onChange(target.checked)}
      />
      {text}
    </label>
  );
}

/** Choice of a load's law by what usually has it. */
function Curve({ load, onTake }: { readonly load: Load; readonly onTake: (next: Load) => void }) {
  return (
    <div className="flex flex-wrap items-center gap-2 text-[14px]">
      <span>Its current goes with the voltage as that of a</span>
      {usualLoads.map(({ name, values }) => {
        const usual: Load = { ...withoutCurve(load), ...values };
        const isPresent = sameValue(usual, load);
        return (
          <Button
            key={name}
            aria-pressed={isPresent}
            className={clsx(isPresent && 'border-2 border-ink font-bold')}
            onClick={() => onTake(usual)}
          >
            {name}
          </Button>
        );
      })}
    </div>
  );
}

/** Explains why a part with both ends on one node has no voltage. */
function Shorted({ element }: { readonly element: Element }) {
  const wired = element.kind === 'link' || element.kind === 'switch';
  const reason = useBench((state) => (wired ? null : samePoint(state.document.network, element.from, element.to)));
  return reason && <p className="text-[14px] text-ochre">{reason}</p>;
}

/** Verdicts on a value: whether it can be bought, and whether the measured value fits it. */
function Verdicts({ resistor, onTake }: { readonly resistor: Resistor; readonly onTake: (value: number) => void }) {
  const { resistance, tolerance, measuredResistance } = resistor;
  const series = seriesOf(resistance);
  const wanted = seriesForTolerance(tolerance);
  const nearest = nearestPreferred(resistance, wanted);
  const deviation = deviationOf(resistor);
  return (
    <div className="flex flex-col gap-1.5 text-[14px]">
      {series ? (
        <p>
          {ohms(resistance, 6)} is a preferred value, {series}.
        </p>
      ) : (
        <p className="flex flex-wrap items-center gap-2">
          {ohms(resistance, 6)} is no preferred value; nearest {ohms(nearest, 6)}, {wanted}.
          <Button onClick={() => onTake(nearest)}>Use {ohms(nearest, 6)}</Button>
        </p>
      )}
      {deviation && (
        <p>
          Measured {ohms(measuredResistance!, 6)}: deviation{' '}
          {formatPercent(deviation.ratio, { digits: 2, signed: true })}
          {tolerance === undefined || deviation.within === null
            ? '; no tolerance is given to compare with.'
            : deviation.within
              ? `, within ±${formatPercent(tolerance, { trim: true })}.`
              : `, outside ±${formatPercent(tolerance, { trim: true })} (${ohms(resistance * (1 - tolerance), 6)} … ${ohms(resistance * (1 + tolerance), 6)}); replace it, or solve with the measured value.`}
        </p>
      )}
    </div>
  );
}
