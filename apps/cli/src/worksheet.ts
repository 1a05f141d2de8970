import { readWorksheet } from '@usual-drag/contract';
import { solveWorksheet } from '@usual-drag/core/worksheet';
import { refused, type Output } from './output.ts';

/** Returns the consequences of one worksheet file, or its first fault, in the published format. */
export function worksheetFile(text: string): Output {
  const sheet = readWorksheet(text);
  if (!sheet.ok) return refused(sheet.fault[0]!);
  const result = solveWorksheet(sheet.value);
  return result.ok ? { output: result.value, solved: true } : refused(result.fault);
}
