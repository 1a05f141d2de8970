import type { Depth } from '@usual-drag/core/plan';
import { planJob } from '@usual-drag/core/job';
import { onJob, refused, type Output } from './output.ts';

/** Returns the plan of one job, or its first fault, in the published format. */
export const planFile = (text: string, depth: Depth): Output =>
  onJob(text, (job) => {
    const plan = planJob(job, depth);
    return plan.ok ? { output: plan.value, solved: true } : refused(plan.fault);
  });
