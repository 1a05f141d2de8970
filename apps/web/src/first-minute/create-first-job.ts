import type { Instrument } from '@usual-drag/core/instrument';
import { floatLevelDivider } from '@usual-drag/core/job';
import { createJob } from '../api/jobs.ts';

/** Stores the float-level divider with the kit's meters as a job of one's own. */
export const createFirstJob = (kit: readonly Instrument[]) => createJob(floatLevelDivider(kit));
