import { formatMeasured, formatQuantity, plainNumber, type Unit } from '@usual-drag/core/quantity';
import type { CorrectionQuestion } from '@usual-drag/core/readings';
import { budgetSentence, type Budget, type BudgetLine } from '@usual-drag/core/uncertainty';
import { useMemo } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';
import { startSampledCorrection } from '../workers/budget.ts';
import { useWorkerResult } from '../workers/use-worker-result.ts';
import { budgetFrom, type BudgetSource } from './budget-source.ts';
import { ShareChart } from './share-chart.tsx';
import { shareText } from './share-text.ts';

interface Props {
  readonly of: BudgetSource;
  readonly unit: Unit;
  readonly name: string;
}

/** Uncertainty budget of a corrected value: what contributes, in figures and as bars, and what would reduce it. */
export function BudgetView({ of, unit, name }: Props) {
  const budget = useMemo(() => budgetFrom(of), [of]);
  if (!budget) return <p>This reading does not determine a corrected value.</p>;
  return (
    <div className="flex flex-col gap-2 text-[14px]">
      <h2 className="text-[16px] font-bold">
        {name.charAt(0).toUpperCase() + name.slice(1)}:{' '}
        <span className="figures">{formatMeasured(budget.value, budget.uncertainty, unit)}</span>{' '}
        <span className="font-normal text-soft">U, k = 2</span>
      </h2>
      <p>{budgetSentence(budget, (u) => formatQuantity(u, unit, { digits: 2 }))}</p>
      {budget.mayBeNonlinear && of.of !== 'ranges' && <Sampled question={of} unit={unit} />}
      {budget.lines.length > 0 && (
        <>
          <ShareChart lines={budget.lines} />
          <Lines budget={budget} unit={unit} />
        </>
      )}
    </div>
  );
}

function Lines({ budget: { lines, uncertainty }, unit }: { readonly budget: Budget; readonly unit: Unit }) {
  const inputUnit = ({ isResistance }: BudgetLine): Unit => (isResistance ? 'Ω' : unit);
  const sensitivity = (line: BudgetLine): string =>
    inputUnit(line) === unit
      ? plainNumber(line.sensitivity, 3)
      : `${formatQuantity(line.sensitivity, unit, { digits: 3 })}/Ω`;
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Contributions">
      <FiguresTable
        label="Uncertainty budget"
        scrolls
        head={['Input', 'Standard u', 'Sensitivity', 'Contribution', 'Share']}
        rows={[
          ...lines.map((line) => ({
            key: line.of,
            cells: [
              <span key="name" className="font-normal">
                {line.name.replace(/^the /, '')}
              </span>,
              formatQuantity(line.standard, inputUnit(line), { digits: 2 }),
              sensitivity(line),
              formatQuantity(line.contribution, unit, { digits: 2 }),
              shareText(line.share),
            ],
          })),
          {
            key: 'sum',
            strong: true,
            cells: ['U = 2·√Σ', '', '', formatQuantity(uncertainty, unit, { digits: 2 }), ''],
          },
        ]}
      />
    </div>
  );
}

/** Result of drawing the inputs at random, if the linear form is off by more than a tenth. */
function Sampled({ question, unit }: { readonly question: CorrectionQuestion; readonly unit: Unit }) {
  const start = useMemo(() => () => startSampledCorrection(question), [question]);
  const { result, state } = useWorkerResult(start, 0);
  if (state === 'running') return <p role="status">Checking the linear form by sampling …</p>;
  if (state === 'failed' || !result?.isLinearFormWrong) return null;
  const print = (value: number): string => formatQuantity(value, unit, { digits: 4 });
  return (
    <p role="status" className="rounded-lg border-2 border-ochre px-3 py-1.5">
      The tolerances are so wide that the budget below is off by more than a tenth. 95 % of {result.count} sampled
      circuits are between <b className="figures">{print(result.low)}</b> and{' '}
      <b className="figures">{print(result.high)}</b>, with a mean of{' '}
      <span className="figures">{print(result.mean)}</span>.
    </p>
  );
}
