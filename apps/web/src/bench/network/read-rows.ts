import { partsFromRows, type Network, type PartsRows } from '@usual-drag/core';
import Papa from 'papaparse';

/** Parts from cells as a spreadsheet copies them (tabs) or saves them (commas, semicolons). */
export const readRows = (text: string, network: Network): PartsRows =>
  partsFromRows(Papa.parse<string[]>(text.trim(), { skipEmptyLines: true }).data, network);
