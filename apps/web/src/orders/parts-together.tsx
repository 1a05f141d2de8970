import type { JobSummary } from '@usual-drag/contract';
import type { Job, PartResistances } from '@usual-drag/core/job';
import { formatMeasured, ohms } from '@usual-drag/core/quantity';
import { useMemo, type ReactNode } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';
import { startPartResistances } from '../workers/diagnosis.ts';
import { useWorkerResult } from '../workers/use-worker-result.ts';

interface Props {
  readonly circuits: readonly JobSummary[];
  /** Their jobs, in the same sequence. */
  readonly documents: readonly Job[];
  /** Content below the table. It appears with the table, so that it does not move when that is computed. */
  readonly children: ReactNode;
}

/** Table of the resistance of each part from every circuit, and whether the values are consistent. */
export function PartsTogether({ circuits, documents, children }: Props) {
  const start = useMemo(() => () => startPartResistances(documents), [documents]);
  const { result: parts, state } = useWorkerResult(start);
  const failed = state === 'failed';
  return (
    <>
      {failed && <p className="text-soft">The comparison failed.</p>}
      {!failed && !parts && <p className="text-soft">Comparing …</p>}
      {!failed && parts && <PartsSection parts={parts} circuits={circuits.length} />}
      {(failed || parts) && children}
    </>
  );
}

function PartsSection({ parts, circuits }: { readonly parts: readonly PartResistances[]; readonly circuits: number }) {
  const measured = parts.filter(({ evidence }) => evidence.length > 0);
  const apart = measured.filter(({ areConsistent }) => areConsistent === false);
  return (
    <section aria-label="Parts" className="flex flex-col gap-2">
      <h2 className="text-[19px] font-bold">Parts in every circuit</h2>
      {measured.length === 0 ? (
        <p>
          No part has been measured yet. Take its resistance out of circuit, or the voltage across it and the current
          through it.
        </p>
      ) : (
        <div
          className="overflow-x-auto rounded-xl border border-line bg-sheet px-3 py-1"
          tabIndex={0}
          role="region"
          aria-label="Resistances"
        >
          <FiguresTable
            scrolls
            label="Resistances from every circuit"
            head={[
              'Part',
              'Marked',
              'Ohmmeter',
              ...Array.from({ length: circuits }, (_, index) => `V/I, circuit ${index + 1}`),
              'Together',
              'Verdict',
            ]}
            rows={measured.map((part) => ({ key: part.part, cells: cellsOf(part, circuits) }))}
          />
        </div>
      )}
      <p className="text-[14px] text-soft">
        Voltage and current are corrected for the loading of their meters. ± is U, k = 2. <b>Together</b> is the mean
        weighted by 1/U²; its U counts the errors of the values as the same error, because one meter reads them all.
      </p>
      {apart.length > 0 && (
        <p role="status">
          <b className="text-ochre">{apart.map(({ part }) => part).join(', ')}</b>: the circuits do not agree. Look for
          a wrong part, a bad contact, or a meter resistance that differs from the stated one; fit that below.
        </p>
      )}
    </section>
  );
}

function cellsOf({ part, nominal, evidence, mean, areConsistent }: PartResistances, circuits: number): ReactNode[] {
  const print = (of: { readonly value: number; readonly uncertainty: number } | undefined | null): string =>
    of ? formatMeasured(of.value, of.uncertainty, 'Ω') : '–';
  const byVoltage = (circuit: number) =>
    evidence.find((one) => one.circuit === circuit && one.by === 'voltage-and-current');
  return [
    part,
    ohms(nominal),
    print(evidence.find(({ by }) => by === 'ohmmeter')),
    ...Array.from({ length: circuits }, (_, circuit) => print(byVoltage(circuit))),
    <b key="mean">{print(mean)}</b>,
    areConsistent === null ? 'one value' : areConsistent ? 'consistent' : 'not consistent',
  ];
}
