import type { Result } from '@usual-drag/core/result';
import { formatPercent, formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import { watchedValue, type NetworkValues, firstOutput, sweepOutputsOf } from '@usual-drag/core/solver';
import { type Instrument, unitOf } from '@usual-drag/core/instrument';
import type { Setup, SetupValues } from '@usual-drag/core/loading';
import type { ToleranceOutput, Sampling } from '@usual-drag/core/uncertainty';
import clsx from 'clsx';
import { RefreshCw, Square } from 'lucide-react';
import { useMemo, useState } from 'react';
import { startTolerance } from '../../workers/tolerance.ts';
import { useWorkerResult } from '../../workers/use-worker-result.ts';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { Segments } from '../../ui/segments.tsx';
import { ValueField } from '../../ui/value-field.tsx';
import { Contributions } from './contributions.tsx';
import { Figures } from './figures.tsx';
import { Histogram } from './histogram.tsx';

interface Props {
  readonly network: Network;
  readonly instruments: readonly Instrument[];
  readonly truth: NetworkValues | null;
  /** The set-up whose meters are in, its values, and the meter that is looked at; null for true values alone. */
  readonly metered: { readonly setup: Setup; readonly values: SetupValues; readonly chosen: string } | null;
}

interface Candidate {
  readonly name: string;
  readonly unit: Unit;
  readonly of: ToleranceOutput;
}

const mostSamples = 10_000_000;

function readCount(text: string): Result<number, { readonly message: string }> {
  const count = Number(text.replace(/[\s,’']/g, ''));
  if (Number.isInteger(count) && count >= 100 && count <= mostSamples) return { ok: true, value: count };
  return { ok: false, fault: { message: `A whole number from 100 to ${mostSamples}.` } };
}

/** Effects of the parts' tolerances on any result: worst case, spread, and the part that matters most. */
export function Tolerance({ network, instruments, truth, metered }: Props) {
  const setup = metered?.setup ?? null;
  const results = useMemo((): readonly Candidate[] => {
    const meters = (setup?.meters ?? []).map(({ id, quantity }): Candidate => ({
      name: `indicated by ${id}`,
      unit: unitOf(quantity),
      of: { meter: id },
    }));
    return [...meters, ...sweepOutputsOf(network)];
  }, [network, setup]);
  const [name, setName] = useState<string | null>(null);
  const usual = metered ? `indicated by ${metered.chosen}` : firstOutput(network, sweepOutputsOf(network)).name;
  const output = results.find((r) => r.name === name) ?? results.find((r) => r.name === usual) ?? results[0]!;
  const [sampling, setSampling] = useState<Sampling>({ count: 100_000, seed: 1, spread: 'rectangular' });
  const indicated = 'meter' in output.of;
  // A true value does not depend on where the leads are.
  const setupAsked = indicated ? setup : null;
  const question = useMemo(
    () => ({ network, instruments, setup: setupAsked, output: output.of }),
    [network, instruments, setupAsked, output.of],
  );
  const start = useMemo(
    () => (onProgress: (done: number) => void) => startTolerance(question, sampling, onProgress),
    [question, sampling],
  );
  const { result: study, state, progress, stop } = useWorkerResult(start);
  const kind = state === 'done' && study === null ? 'nothing' : state;
  const reading = 'meter' in output.of ? metered?.values.meters[output.of.meter] : undefined;
  const nominal = 'meter' in output.of ? (reading?.indicated ?? null) : watchedValue(truth, output.of);
  const { unit } = output;
  const hasFigures = study !== null && study.parts.length > 0 && kind !== 'nothing';

  return (
    <section
      aria-label="Tolerance"
      className={clsx(
        'flex min-h-44 shrink-0 flex-col gap-2 overflow-auto border-t border-line px-4 py-2',
        // The room of its figures, before they are there too.
        hasFigures || (study === null && kind === 'running') ? 'h-[52%]' : 'max-h-[52%]',
      )}
      tabIndex={0}
    >
      <div className="flex flex-wrap items-end gap-2">
        <Choice
          label="Tolerance of"
          showLabel
          className="w-44"
          value={output.name}
          options={results.map((r) => ({ value: r.name, text: r.name }))}
          onChange={setName}
        />
        <Segments
          label="Distribution"
          value={sampling.spread}
          options={[
            { value: 'rectangular', text: 'rectangular' },
            { value: 'normal', text: 'normal, 3σ' },
          ]}
          onChange={(spread) => setSampling({ ...sampling, spread })}
        />
        <ValueField
          label="Samples"
          showLabel
          className="w-24"
          align="right"
          shown={String(sampling.count)}
          read={readCount}
          onCommit={(count) => setSampling({ ...sampling, count })}
        />
        {kind === 'running' ? (
          <>
            <Button onClick={stop}>
              <Square aria-hidden size={14} /> Stop
            </Button>
            <progress
              aria-label="Sampling"
              className="mb-3 h-2 min-w-16 grow accent-(--ochre-line)"
              max={sampling.count}
              value={progress ?? 0}
            />
          </>
        ) : (
          <Button onClick={() => setSampling({ ...sampling, seed: sampling.seed + 1 })}>
            <RefreshCw aria-hidden size={15} /> Sample again
          </Button>
        )}
      </div>
      <Words kind={kind} parts={study?.parts.length ?? null} name={output.name} />
      {hasFigures && (
        <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_14.5rem_12.5rem] gap-4">
          <Histogram samples={study.samples} worst={study.worst} nominal={nominal} unit={unit} indicated={indicated} />
          <Figures study={study} nominal={nominal} unit={unit} />
          <div className="flex flex-col gap-1.5">
            <Contributions contributions={study.contributions} unit={unit} />
            {reading?.error != null && nominal !== null && reading.relativeError !== null && (
              <p className="text-[13px] leading-snug">
                Loading shifts it by <b className="text-ochre">{formatQuantity(reading.error, unit, { digits: 3 })}</b>{' '}
                ({formatPercent(reading.relativeError, { signed: true, digits: 3 })}), the parts by{' '}
                {formatQuantity(Math.max(study.worst.maximum - nominal, nominal - study.worst.minimum), unit, {
                  digits: 3,
                })}{' '}
                at most.
              </p>
            )}
          </div>
        </div>
      )}
    </section>
  );
}

function Words({ kind, parts, name }: { readonly kind: string; readonly parts: number | null; readonly name: string }) {
  const text =
    kind === 'nothing'
      ? `Nothing determines what is ${name}: check that both its points are joined.`
      : kind === 'failed'
        ? 'Sampling was interrupted. Sample again.'
        : kind === 'stopped'
          ? 'Stopped. The figures are of the last complete run.'
          : parts === 0
            ? 'No part here has a tolerance. Give the resistors theirs at the first step, as in “R1 4k7 5%”.'
            : null;
  return text && <p className="text-[14px]">{text}</p>;
}
