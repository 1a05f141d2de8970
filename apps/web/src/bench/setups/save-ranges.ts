import type { MeterQuantity } from '@usual-drag/core/instrument';
import { rowsFromRangeTable } from '@usual-drag/core/job';
import type { RangeOption } from '@usual-drag/core/loading';
import { csvText } from '../../ui/csv.ts';
import { saveText } from '../../ui/save-file.ts';

/** Saves a range table as CSV. */
export const saveRanges = (options: readonly RangeOption[], quantity: MeterQuantity): void =>
  saveText(csvText(rowsFromRangeTable(options, quantity)), 'ranges.csv', 'text/csv');
