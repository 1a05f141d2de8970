import { fail, type Result } from '@usual-drag/core/result';
import { designFaults, type Design } from '@usual-drag/core/workshop';
import { parseJson, shapeCheck, type FileFault } from './shape-faults.ts';

const checkShape = shapeCheck<Design>('design');

/** Reads the text of a `*.design.json`: a design ready to be worked out, or every fault found. */
export function readDesign(text: string): Result<Design, readonly FileFault[]> {
  const parsed = parseJson(text);
  return parsed.ok ? checkDesign(parsed.value) : parsed;
}

/** Checks a parsed design against the published schema, then its values. */
function checkDesign(value: unknown): Result<Design, readonly FileFault[]> {
  const shaped = checkShape(value);
  if (!shaped.ok) return shaped;
  const faults = designFaults(shaped.value);
  if (faults.length === 0) return shaped;
  return fail(faults.map(({ message, where }) => ({ code: 'invalid-value', message, where, path: where.join(', ') })));
}
