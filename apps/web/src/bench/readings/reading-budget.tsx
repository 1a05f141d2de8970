import { unitOf } from '@usual-drag/core/instrument';
import { networkMeant } from '@usual-drag/core/job';
import type { CorrectionQuestion, Reading } from '@usual-drag/core/readings';
import { useMemo } from 'react';
import { BudgetButton } from '../../budget/budget-button.tsx';
import { useBench } from '../model/bench-store.ts';

/** Button that opens the budget of a reading's corrected value. */
export function ReadingBudget({ reading }: { readonly reading: Reading }) {
  const job = useBench((state) => state.document);
  const question = useMemo(
    (): CorrectionQuestion => ({
      of: 'reading',
      network: networkMeant(job),
      instruments: job.instruments ?? [],
      conventions: job.conventions ?? {},
      reading,
    }),
    [job, reading],
  );
  return <BudgetButton of={question} unit={unitOf(reading.quantity)} name={reading.id} />;
}
