import type { Job, KitInstrument, MeterProject } from '@usual-drag/core';

/** A line of the list of jobs. */
export interface JobSummary {
  readonly id: string;
  readonly title: string | null;
  readonly revision: number;
  /** ISO 8601. */
  readonly updatedAt: string;
  /** ISO 8601; null while it is not in the bin. */
  readonly deletedAt: string | null;
  readonly parts: number;
  readonly setups: number;
}

/** A job as the server keeps it. Saving it needs the revision that the edit began with. */
export interface OpenJob {
  readonly id: string;
  readonly revision: number;
  readonly updatedAt: string;
  readonly document: Job;
}

/** A document as the server keeps it on a shelf. Revision 0 is as it came with the software. */
export interface Shelved<T> {
  readonly id: string;
  readonly revision: number;
  readonly document: T;
}

export type ShelvedInstrument = Shelved<KitInstrument>;
export type ShelvedMeterProject = Shelved<MeterProject>;
