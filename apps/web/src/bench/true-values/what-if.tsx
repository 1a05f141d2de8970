import { formatQuantity, parseQuantity, type Unit, ohms } from '@usual-drag/core/quantity';
import type { Element, Network } from '@usual-drag/core/network';
import {
  sweep,
  sweepValues,
  withParameter,
  watchedValue,
  firstOutput,
  sweepParametersOf,
  sweepOutputsOf,
  type NamedParameter,
  type NamedOutput,
  type NetworkValues,
} from '@usual-drag/core/solver';
import { straightLine, type StraightLine } from '@usual-drag/core/uncertainty';
import { Download, X } from 'lucide-react';
import { rowsFromSweep } from '@usual-drag/core/job';
import { csvText } from '../../ui/csv.ts';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { saveText } from '../../ui/save-file.ts';
import { Segments } from '../../ui/segments.tsx';
import { ValueField } from '../../ui/value-field.tsx';
import { useBench } from '../model/bench-store.ts';
import { SweepChart } from './sweep-chart.tsx';

/** Share of the largest value within which points are on a straight line. */
const straight = 1e-9;

/** One parameter swept over a range, and the outputs that change with it. */
export function WhatIf({ network }: { readonly network: Network }) {
  const parameters = useMemo(() => sweepParametersOf(network), [network]);
  const [parameterName, setParameter] = useState<string | null>(null);
  const parameter = parameters.find(({ name }) => name === parameterName) ?? parameters[0];
  if (!parameter) return <p className="p-4">There is no parameter to vary: add a source or a resistor.</p>;
  return (
    <Sweep
      key={parameter.name}
      network={network}
      parameters={parameters}
      parameter={parameter}
      onParameter={setParameter}
    />
  );
}

interface SweepProps {
  readonly network: Network;
  readonly parameters: readonly NamedParameter[];
  readonly parameter: NamedParameter;
  readonly onParameter: (name: string) => void;
}

const points = 101;
const mostResults = 4;

function Sweep({ network, parameters, parameter, onParameter }: SweepProps) {
  const edit = useBench((state) => state.edit);
  const isSource = parameter.key === 'emf' || parameter.key === 'current';
  const [from, setFrom] = useState(isSource ? 0 : parameter.value / Math.sqrt(10));
  const [to, setTo] = useState(isSource ? parameter.value * 1.5 : parameter.value * Math.sqrt(10));
  const [at, setAt] = useState(parameter.value);
  const [against, setAgainst] = useState<'parameter' | 'current'>('parameter');
  const results = useMemo(() => sweepOutputsOf(network), [network]);
  const [names, setNames] = useState<readonly string[]>(() => [firstOutput(network, results).name]);
  const chosen = names.flatMap((name) => results.find((result) => result.name === name) ?? []);
  const outputs = chosen.length > 0 ? chosen : [firstOutput(network, results)];
  const spread = !isSource && from > 0 ? 'ratio' : 'even';
  const values = useMemo(() => sweepValues(from, to, points, spread), [from, to, spread]);
  const swept = useMemo(() => sweep(network, parameter, values), [network, parameter, values]);
  const here = useMemo(() => sweep(network, parameter, [at])[0]!, [network, parameter, at]);

  const [first] = outputs as [NamedOutput];
  const part = first.unit === 'V' && 'element' in first.of ? first.of.element : null;
  const overCurrent = against === 'current' && part !== null;
  const shown = overCurrent ? [first] : outputs;
  const rows = values.flatMap((value, index) => {
    const x = overCurrent ? watchedValue(swept[index]!, { element: part, what: 'current' }) : value;
    return x === null ? [] : [{ x, y: shown.map(({ of }) => watchedValue(swept[index]!, of)) }];
  });
  const missing = rows.filter(({ y }) => y.includes(null)).length + values.length - rows.length;
  const line = overCurrent ? straightLine(rows.flatMap(({ x, y: [y] }) => (y == null ? [] : [{ x, y }]))) : null;
  const units = new Set(outputs.map(({ unit }) => unit));
  const more = results.filter(
    ({ name, unit }) => !outputs.some((f) => f.name === name) && (units.has(unit) || units.size < 2),
  );
  const xName = overCurrent ? `current of ${part}` : parameter.name;
  const saveCsv = (): void =>
    saveText(csvText(rowsFromSweep(parameter, values, swept, results)), 'what-if.csv', 'text/csv');

  return (
    <div className="flex min-h-0 grow flex-col gap-3 overflow-auto p-4" tabIndex={0} role="region" aria-label="What if">
      <div className="flex flex-wrap items-end gap-2">
        <Choice
          label="Parameter"
          showLabel
          className="w-52"
          value={parameter.name}
          options={parameters.map(({ name }) => ({ value: name, text: name }))}
          onChange={onParameter}
        />
        <Quantity label="from" unit={parameter.unit} value={from} onChange={setFrom} />
        <Quantity label="to" unit={parameter.unit} value={to} onChange={setTo} />
        {outputs.length < mostResults && (
          <Choice
            label="Output"
            showLabel
            className="w-48"
            value=""
            missing="one more output"
            options={more.map(({ name }) => ({ value: name, text: name }))}
            onChange={(name) => setNames([...outputs.map((f) => f.name), name])}
          />
        )}
        {part !== null && (
          <Segments
            label="Chart against"
            value={against}
            options={[
              { value: 'parameter', text: `over ${parameter.element}` },
              { value: 'current', text: 'V over I' },
            ]}
            onChange={setAgainst}
          />
        )}
      </div>
      <Outputs
        outputs={outputs}
        here={here}
        onRemove={(name) => setNames(outputs.filter((f) => f.name !== name).map((f) => f.name))}
      />
      <div className="flex items-center gap-3">
        <input
          type="range"
          aria-label={`${parameter.name}, set by hand`}
          aria-valuetext={formatQuantity(at, parameter.unit)}
          className="h-6 grow accent-(--ochre-line)"
          min={0}
          max={points - 1}
          value={nearest(values, at)}
          onChange={(event) => setAt(values[Number(event.target.value)]!)}
        />
        <span className="figures w-24 text-right text-[16px] font-bold">{formatQuantity(at, parameter.unit)}</span>
        <Button onClick={() => edit((job) => ({ ...job, network: withParameter(job.network, parameter, at) }))}>
          Apply
        </Button>
      </div>
      <SweepChart
        label={`${shown.map(({ name }) => name).join(', ')} over ${xName}`}
        xName={xName}
        xUnit={overCurrent ? 'A' : parameter.unit}
        spread={overCurrent ? 'even' : spread}
        results={shown}
        rows={rows}
        at={overCurrent ? null : at}
      />
      {line && (
        <Slope
          line={line}
          largest={Math.max(...rows.map(({ y: [y] }) => Math.abs(y ?? 0)))}
          element={network.elements.find(({ id }) => id === part)!}
        />
      )}
      <div className="flex items-center gap-3">
        <Button onClick={saveCsv}>
          <Download aria-hidden size={17} /> CSV of all results
        </Button>
        {missing > 0 && (
          <p className="text-[14px] text-soft">{`${missing} of ${values.length} points have no value.`}</p>
        )}
      </div>
    </div>
  );
}

interface OutputsProps {
  readonly outputs: readonly NamedOutput[];
  readonly here: NetworkValues | null;
  readonly onRemove: (name: string) => void;
}

/** The outputs that are charted, with their values where the parameter is set. */
function Outputs({ outputs, here, onRemove }: OutputsProps) {
  return (
    <ul className="flex flex-wrap gap-2" aria-label="Outputs">
      {outputs.map(({ name, unit, of }) => (
        <li key={name} className="inline-flex items-center gap-2 rounded-lg border border-line bg-ground px-2.5 py-1">
          {name} <b className="figures">{formatQuantity(watchedValue(here, of), unit)}</b>
          {outputs.length > 1 && (
            <button
              type="button"
              aria-label={`Remove ${name}`}
              className="rounded hover:bg-sunk"
              onClick={() => onRemove(name)}
            >
              <X aria-hidden size={16} />
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

interface SlopeProps {
  readonly line: StraightLine;
  /** V of the largest point. */
  readonly largest: number;
  readonly element: Element;
}

/** The straight line through V over I: its slope is the resistance, against what is marked and measured. */
function Slope({ line, largest, element }: SlopeProps) {
  const { slope, worst } = line;
  return (
    <p className="text-[15px]">
      Straight line: slope <b className="figures">{ohms(slope, 6)}</b>
      {element.kind === 'resistor' && (
        <>
          , marked <span className="figures">{ohms(element.resistance, 6)}</span>
          {element.measuredResistance !== undefined && (
            <>
              , measured <span className="figures">{ohms(element.measuredResistance, 6)}</span>
            </>
          )}
        </>
      )}
      {element.kind === 'source' && ', the internal resistance with its sign reversed, where only the load is varied'};{' '}
      {worst <= straight * largest ? (
        'every point is on it.'
      ) : (
        <>
          no point is further than <span className="figures">{formatQuantity(worst, 'V', { digits: 2 })}</span> from it.
        </>
      )}
    </p>
  );
}

interface QuantityProps {
  readonly label: string;
  readonly unit: Unit;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

const Quantity = ({ label, unit, value, onChange }: QuantityProps) => (
  <ValueField
    label={label}
    showLabel
    className="w-24"
    shown={formatQuantity(value, unit, { digits: 5, trim: true })}
    read={(text) => parseQuantity(text, unit)}
    onCommit={onChange}
  />
);

const nearest = (values: readonly number[], at: number): number =>
  values.reduce((best, value, index) => (Math.abs(value - at) < Math.abs(values[best]! - at) ? index : best), 0);
