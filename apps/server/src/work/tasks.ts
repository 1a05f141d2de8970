import { readJob } from '@usual-drag/contract';
import { fail, ok, type Result } from '@usual-drag/core/result';
import type { Job } from '@usual-drag/core/job';
import { makeReport } from '@usual-drag/core/report';
import { packJobs, unpackArchive } from '../jobs/job-archive.ts';
import { jobFigures, type JobFigures } from '../jobs/job-figures.ts';
import { jobPicture, type PictureTheme } from '../jobs/job-picture.ts';

/** Computations off the request path: pure functions of texts and bytes, by name. */
export interface Tasks {
  /** The figures of a job's line in the list. */
  figures(job: string): JobFigures;
  picture(asked: { readonly job: string; readonly theme: PictureTheme }): string;
  /** Reason why no report can be made of a job; null if one can. */
  reportFault(job: string): string | null;
  pack(jobs: readonly string[]): Uint8Array;
  /** The jobs of an archive as texts, or why they are not imported. */
  unpack(archive: Uint8Array): Promise<Result<readonly string[], string>>;
}

export const tasks: Tasks = {
  figures: (job) => jobFigures(JSON.parse(job) as Job),
  picture: ({ job, theme }) => jobPicture(JSON.parse(job) as Job, theme),
  reportFault: (job) => {
    const report = makeReport(JSON.parse(job) as Job);
    return report.ok ? null : report.fault.message;
  },
  pack: (jobs) => packJobs(jobs.map((job) => JSON.parse(job) as Job)),
  unpack: async (archive) => {
    const files = await unpackArchive(archive);
    if (!files.ok) return files;
    const jobs: string[] = [];
    for (const { name, text } of files.value) {
      const read = readJob(text);
      if (!read.ok) return fail(`${name}: ${read.fault[0]!.message} Nothing was imported.`);
      jobs.push(JSON.stringify(read.value));
    }
    return ok(jobs);
  },
};

export type TaskName = keyof Tasks;
export type TaskInput<Name extends TaskName> = Parameters<Tasks[Name]>[0];
export type TaskOutput<Name extends TaskName> = Awaited<ReturnType<Tasks[Name]>>;
