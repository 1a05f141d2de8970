import { fail, type Result } from '@usual-drag/core/result';
import { worksheetFaults, type Worksheet } from '@usual-drag/core/worksheet';
import { parseJson, shapeCheck, type FileFault } from './shape-faults.ts';

const checkShape = shapeCheck<Worksheet>('worksheet');

/** Reads the text of a `*.worksheet.json`: a worksheet ready to be worked, or every fault found. */
export function readWorksheet(text: string): Result<Worksheet, readonly FileFault[]> {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const shaped = checkShape(parsed.value);
  if (!shaped.ok) return shaped;
  const faults = worksheetFaults(shaped.value);
  return faults.length === 0 ? shaped : fail(faults.map((fault) => ({ ...fault, path: fault.where.join(', ') })));
}
