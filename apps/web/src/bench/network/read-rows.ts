import type { Network } from '@usual-drag/core/network';
import { partsFromRows, type PartsRows } from '@usual-drag/core/job';
import { csvRows } from '../../ui/csv.ts';

/** Parts from cells as a spreadsheet copies them (tabs) or saves them (commas, semicolons). */
export const readRows = (text: string, network: Network): PartsRows => partsFromRows(csvRows(text.trim()), network);
