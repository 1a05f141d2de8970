import { randomUUID } from 'node:crypto';
import { ConflictException, Inject, Injectable } from '@nestjs/common';
import {
  checkDraft,
  checkJob,
  most,
  type JobSummary,
  type SavedReadings,
  type StoredDocument,
} from '@usual-drag/contract';
import { changedReadings, jobVersions, mergeJobs, putReadings, type Job } from '@usual-drag/core/job';
import type { Line } from '../database/document-repository.ts';
import { Repositories } from '../documents/repositories.ts';
import { answer, findDocument, missing, saveDocument } from '../documents/save-document.ts';
import { accept, refuse } from '../http/envelope.pipe.ts';
import { OrderSequences } from '../orders/order-sequences.ts';
import { Workers } from '../work/workers.ts';
import type { PictureTheme } from './job-picture.ts';
import { JobSummaries } from './job-summaries.ts';

const newestVersion = jobVersions.at(-1)!;
const tooMany = `A job can have at most ${most.readings} readings. Create another job for more.`;
/** ms that a drawing may take. */
const pictureTimeoutMs = 5000;

@Injectable()
export class JobsService {
  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(JobSummaries) private readonly summaries: JobSummaries,
    @Inject(OrderSequences) private readonly sequences: OrderSequences,
    @Inject(Workers) private readonly workers: Workers,
  ) {}

  /** Every job that is not archived, the last changed first. */
  async list(): Promise<JobSummary[]> {
    const { lines } = await this.repositories.jobs.lines();
    const present = lines.filter(({ archivedAt }) => archivedAt === null);
    return this.#withPlaces(newestFirst(present, ({ updatedAt }) => updatedAt));
  }

  /** Every archived job, the last archived first. */
  async archived(): Promise<JobSummary[]> {
    const { lines } = await this.repositories.jobs.lines();
    const archived = lines.filter(({ archivedAt }) => archivedAt !== null);
    return this.#withPlaces(newestFirst(archived, ({ archivedAt }) => archivedAt!));
  }

  read(id: string): Promise<StoredDocument<Job>> {
    return findDocument(this.repositories.jobs, id);
  }

  /** The revision of a job, archived or not: a list may ask for its drawing while it is being archived. */
  async revisionOf(id: string): Promise<number> {
    const revision = await this.repositories.jobs.revisionOf(id);
    if (revision === undefined) throw missing(this.repositories.jobs, id);
    return revision;
  }

  /** The drawing of a job's network in small, as SVG. */
  async picture(id: string, theme: PictureTheme): Promise<string> {
    const found = await this.repositories.jobs.text(id);
    if (!found) throw missing(this.repositories.jobs, id);
    return this.workers.quick.run('picture', { job: found.text, theme }, pictureTimeoutMs);
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

  /**
   * Saves readings that were added to the job at `revision` or changed in it.
   *
   * @returns all readings that changed since then, or the whole job if something else changed
   * @throws a refusal: 400 if they are invalid, 404 if the job does not exist, 409 if that revision is no longer stored
   */
  async saveReadings(
    id: string,
    revision: number,
    sent: readonly unknown[],
  ): Promise<SavedReadings | StoredDocument<Job>> {
    const { jobs } = this.repositories;
    const base = await jobs.atRevision(id, revision);
    if (!base) {
      await findDocument(jobs, id);
      throw new ConflictException(
        'The revision that these readings are based on is no longer stored. Send the whole job.',
      );
    }
    // Only the readings can be invalid: the rest of the job is the stored one.
    const { readings = [] } = accept(checkDraft({ ...base, version: newestVersion, readings: sent }), '');
    const job = putReadings(base, readings);
    if (job.readings!.length > most.readings) throw refuse([{ path: 'readings', message: tooMany }]);
    const saved = await saveDocument(jobs, id, revision, job, mergedJob);
    const changed = changedReadings(base, saved.document);
    return changed ? { id, revision: saved.revision, updatedAt: saved.updatedAt, readings: changed } : saved;
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

  /** Returns the jobs' lines, each with its place in the sequence of its order. */
  async #withPlaces(lines: readonly Line[]): Promise<JobSummary[]> {
    const [summaries, sequences] = await Promise.all([this.summaries.of(lines), this.sequences.all()]);
    return summaries.map((summary) => {
      const place = sequences.get(summary.record.order ?? '')?.indexOf(summary.id) ?? -1;
      return { ...summary, place: place < 0 ? null : place };
    });
  }

  async #add(document: Job): Promise<StoredDocument<Job>> {
    return answer((await this.repositories.jobs.insert(randomUUID(), document))!);
  }
}

/** Returns the joined job; null if it would be larger than a job may be. */
function mergedJob(base: Job | null, mine: Job, theirs: Job): Job | null {
  const merged = mergeJobs(base, mine, theirs);
  return merged && checkDraft(merged).ok ? merged : null;
}

const newestFirst = (lines: readonly Line[], at: (line: Line) => string): Line[] =>
  [...lines].sort((a, b) => at(b).localeCompare(at(a)) || a.id.localeCompare(b.id));
