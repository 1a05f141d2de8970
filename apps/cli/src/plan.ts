import { planJob, type Depth } from '@usual-drag/core';
import { onJob, refused, type Output } from './output.ts';

/** What to measure on one job, in which order, or its first fault, as the published format writes them. */
export const planFile = (text: string, depth: Depth): Output =>
  onJob(text, (job) => {
    const plan = planJob(job, depth);
    return plan.ok ? { output: plan.value, solved: true } : refused(plan.fault);
  });
