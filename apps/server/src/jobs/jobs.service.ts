import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { checkDraft, checkJob, type JobSummary, type StoredDocument } from '@usual-drag/contract';
import { mergeJobs, type Job } from '@usual-drag/core';
import type { Kept } from '../database/document-repository.ts';
import { Repositories } from '../documents/repositories.ts';
import { answer, findDocument, missing, saveDocument } from '../documents/save-document.ts';
import { accept } from '../http/envelope.pipe.ts';
import { packJobs, unpackJobs } from './job-archive.ts';
import { JobSummaries } from './job-summaries.ts';

@Injectable()
export class JobsService {
  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(JobSummaries) private readonly summaries: JobSummaries,
  ) {}

  /** Every job that is not archived, the last changed first. */
  async list(): Promise<JobSummary[]> {
    const { kept } = await this.repositories.jobs.list();
    return this.summaries.of(
      newestFirst(
        kept.filter(({ archivedAt }) => archivedAt === null),
        ({ updatedAt }) => updatedAt,
      ),
    );
  }

  /** Every archived job, the last archived first. */
  async archived(): Promise<JobSummary[]> {
    const { kept } = await this.repositories.jobs.list();
    return this.summaries.of(
      newestFirst(
        kept.filter(({ archivedAt }) => archivedAt !== null),
        ({ archivedAt }) => archivedAt!,
      ),
    );
  }

  read(id: string): Promise<StoredDocument<Job>> {
    return findDocument(this.repositories.jobs, id);
  }

  /** The same, archived or not: a list may ask for a drawing while the job is being archived. */
  async readAny(id: string): Promise<StoredDocument<Job>> {
    const found = await this.repositories.jobs.find(id);
    if (!found) throw missing(this.repositories.jobs, id);
    return answer(found);
  }

  create(document: unknown): Promise<StoredDocument<Job>> {
    return this.#add(accept(checkDraft(document), 'document.'));
  }

  /** A file from outside must be sound as a whole, not only in shape. */
  importFile(file: unknown): Promise<StoredDocument<Job>> {
    return this.#add(accept(checkJob(file), ''));
  }

  save(id: string, revision: number, document: unknown): Promise<StoredDocument<Job>> {
    return saveDocument(this.repositories.jobs, id, revision, accept(checkDraft(document), 'document.'), mergedJob);
  }

  async duplicate(id: string): Promise<StoredDocument<Job>> {
    const { document } = await this.read(id);
    return this.#add({ ...document, title: `${(document.title ?? 'Untitled').slice(0, 190)} (copy)` });
  }

  async archive(id: string): Promise<void> {
    if (!(await this.repositories.jobs.setArchived(id, true))) throw missing(this.repositories.jobs, id);
  }

  async restore(id: string): Promise<StoredDocument<Job>> {
    await this.repositories.jobs.setArchived(id, false);
    return this.read(id);
  }

  /** Every job as an open file, archived ones among them, in one ZIP archive. */
  async exportAll(): Promise<Uint8Array> {
    const { kept } = await this.repositories.jobs.list();
    return packJobs(kept.map(({ document }) => document));
  }

  /**
   * Adds every job of an archive, or none where one is not sound.
   *
   * @returns how many
   */
  async importArchive(archive: Uint8Array): Promise<number> {
    const at = new Date();
    const jobs = unpackJobs(archive);
    const [first, ...rest] = jobs.map((job) => this.repositories.jobs.insertion(randomUUID(), job, at, 1));
    await this.repositories.database.batch([first!, ...rest]);
    this.repositories.changes.announce({ kind: 'jobs', id: null, revision: null });
    return jobs.length;
  }

  async #add(document: Job): Promise<StoredDocument<Job>> {
    return answer((await this.repositories.jobs.insert(randomUUID(), document))!);
  }
}

/** What both made of it, as long as it is no longer than a job may be. */
function mergedJob(base: Job | null, mine: Job, theirs: Job): Job | null {
  const merged = mergeJobs(base, mine, theirs);
  return merged && checkDraft(merged).ok ? merged : null;
}

const newestFirst = (jobs: readonly Kept<Job>[], at: (job: Kept<Job>) => string): Kept<Job>[] =>
  [...jobs].sort((a, b) => at(b).localeCompare(at(a)) || a.id.localeCompare(b.id));
