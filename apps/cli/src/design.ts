import { readDesign } from '@usual-drag/contract';
import { solveDesign } from '@usual-drag/core/workshop';
import { refused, type Output } from './output.ts';

/** The result of one design file's text, or its first fault, as the published format writes them. */
export function designFile(text: string): Output {
  const design = readDesign(text);
  if (!design.ok) return refused(design.fault[0]!);
  const result = solveDesign(design.value);
  return result.ok ? { output: result.value, solved: true } : refused(result.fault);
}
