import type { Depth } from '@usual-drag/core/plan';
import type { Output } from './output.ts';

/** Checked options beside the files. */
export interface Options {
  readonly depth: Depth;
  readonly free: readonly string[];
  readonly faults: 1 | 2;
  readonly budget: boolean;
}

type OnText = (text: string) => Output;

/** The commands that answer each file with a line of JSON. Each is loaded when it is run, so that none waits for the others. */
export const perFile: Readonly<Record<string, (options: Options) => Promise<OnText>>> = {
  solve: async () => (await import('./solve.ts')).solveFile,
  compare: async ({ budget }) => {
    const { compareFile } = await import('./compare.ts');
    return (text) => compareFile(text, budget);
  },
  plan: async ({ depth }) => {
    const { planFile } = await import('./plan.ts');
    return (text) => planFile(text, depth);
  },
  diagnose: async ({ faults }) => {
    const { diagnoseFile } = await import('./diagnose.ts');
    return (text) => diagnoseFile(text, faults);
  },
  fit: async ({ free }) => {
    const { fitFiles } = await import('./diagnose.ts');
    return (text) => fitFiles([text], free);
  },
  reduce: async () => (await import('./reduce.ts')).reduceFile,
  design: async () => (await import('./design.ts')).designFile,
  worksheet: async () => (await import('./worksheet.ts')).worksheetFile,
  mark: async () => (await import('./practice.ts')).markFile,
};
