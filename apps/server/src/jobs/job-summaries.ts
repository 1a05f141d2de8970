import { setTimeout as delay } from 'node:timers/promises';
import { Inject, Injectable, Logger, type OnApplicationBootstrap } from '@nestjs/common';
import type { JobSummary } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { eq } from 'drizzle-orm';
import type { Line } from '../database/document-repository.ts';
import { Repositories } from '../documents/repositories.ts';
import { slices } from '../work/slices.ts';
import { WorkGivenUp } from '../work/work-lane.ts';
import { Workers } from '../work/workers.ts';
import type { JobFigures } from './job-figures.ts';

/** Version of the rules for a line's figures. Stored figures of another version are computed again. */
const rulesVersion = 1;
/** ms that the figures of one job may take, that a list waits for the thread to start, and for figures that are nearly there. */
const figuresTimeoutMs = 5000;
const startWaitMs = 1000;
const listWaitMs = 150;
/** ms between two announcements that more figures are there. */
const announceMs = 500;

/** Fields of a job's line in the list that require no solving. */
type Head = Pick<JobSummary, 'title' | 'record' | 'parts' | 'setups'>;

/** The figures that are stored: computed, or given up. */
type StoredFigures = (JobFigures & { readonly state: 'computed' }) | { readonly state: 'too-large' };

const notComputed = { worstError: null, unreadable: '', readings: null } as const;

interface StoredLine {
  readonly revision: number;
  readonly head: Head;
  /** Null while they are not computed. */
  readonly figures: StoredFigures | null;
}

/**
 * The lines of the list of jobs. They are stored beside the documents; what has to be solved for one is computed on a thread of
 * its own when a list first asks for it, and the line says so until then.
 */
@Injectable()
export class JobSummaries implements OnApplicationBootstrap {
  readonly #logger = new Logger('Summaries');
  #lines: Promise<Map<string, StoredLine>> | null = null;
  /** The ends of computations that go on, by job. */
  readonly #computing = new Map<string, Promise<void>>();
  #announcement: NodeJS.Timeout | undefined;

  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(Workers) private readonly workers: Workers,
  ) {}

  /** Begins to compute what is missing, so that it is there when the first list is asked for. */
  onApplicationBootstrap(): void {
    void this.repositories.jobs
      .lines()
      .then(({ lines }) => this.of(lines))
      .catch((error: unknown) => this.#logger.warn(`The list of jobs was not prepared: ${String(error)}`));
  }

  async of(listed: readonly Line[]): Promise<Omit<JobSummary, 'place'>[]> {
    const lines = await (this.#lines ??= this.#load());
    const breathe = slices();
    for (const { id, revision } of listed) {
      await breathe();
      if (lines.get(id)?.revision !== revision) await this.#read(id, lines);
    }
    // The small ones first: none of them waits for a job that takes long.
    const parts = (id: string): number => lines.get(id)?.head.parts ?? 0;
    for (const { id } of [...listed].sort((a, b) => parts(a.id) - parts(b.id)))
      if (lines.get(id)?.figures === null) this.#compute(id, lines);
    const open = listed.flatMap(({ id }) => this.#computing.get(id) ?? []);
    if (open.length > 0) {
      await Promise.race([this.workers.background.start(), delay(startWaitMs)]);
      await Promise.race([Promise.all(open), delay(listWaitMs)]);
    }
    return listed.flatMap(({ id, revision, createdAt, updatedAt, archivedAt }) => {
      const line = lines.get(id);
      if (!line) return [];
      if (line.figures === null) this.#announceWhenComputed(id);
      const { state, ...computed } = line.figures ?? { state: 'computing' as const };
      return [{ id, revision, createdAt, updatedAt, archivedAt, ...line.head, state, ...notComputed, ...computed }];
    });
  }

  async #load(): Promise<Map<string, StoredLine>> {
    const { query, tables } = this.repositories.database;
    const { jobSummaries } = tables;
    const rows = await query.select().from(jobSummaries).where(eq(jobSummaries.version, rulesVersion));
    return new Map(
      rows.map(({ id, revision, head, figures }) => [
        id,
        {
          revision,
          head: JSON.parse(head) as Head,
          figures: figures === null ? null : (JSON.parse(figures) as StoredFigures),
        },
      ]),
    );
  }

  /** Makes a line of a job as it is stored now. */
  async #read(id: string, lines: Map<string, StoredLine>): Promise<void> {
    const found = await this.repositories.jobs.text(id);
    if (!found) return;
    lines.set(id, { revision: found.revision, head: headOf(JSON.parse(found.text) as Job), figures: null });
  }

  #compute(id: string, lines: Map<string, StoredLine>): void {
    if (this.#computing.has(id)) return;
    const done = this.#figuresOf(id, lines)
      .catch((error: unknown) => this.#logger.warn(`The figures of a job are not kept: ${String(error)}`))
      .finally(() => this.#computing.delete(id));
    this.#computing.set(id, done);
  }

  async #figuresOf(id: string, lines: Map<string, StoredLine>): Promise<void> {
    const job = await this.repositories.jobs.text(id);
    if (!job) return;
    const figures = await this.#solved(job.text);
    const present = lines.get(id);
    // A later edit has a line of its own, which the next list computes.
    if (figures === null || present?.revision !== job.revision) return;
    const line = { ...present, figures };
    lines.set(id, line);
    await this.#store(id, line);
  }

  /** Null if they are to be tried again later. */
  async #solved(job: string): Promise<StoredFigures | null> {
    try {
      return { state: 'computed', ...(await this.workers.background.run('figures', job, figuresTimeoutMs)) };
    } catch (error) {
      if (!(error instanceof WorkGivenUp)) this.#logger.error(error);
      else if (error.why === 'busy') return null;
      return { state: 'too-large' };
    }
  }

  async #store(id: string, { revision, head, figures }: StoredLine): Promise<void> {
    const values = {
      id,
      revision,
      version: rulesVersion,
      head: JSON.stringify(head),
      figures: JSON.stringify(figures),
    };
    const { query, tables } = this.repositories.database;
    const { jobSummaries } = tables;
    await query.insert(jobSummaries).values(values).onConflictDoUpdate({ target: jobSummaries.id, set: values });
  }

  /** Tells the pages when a line that was shown without figures has them, at most every half a second. */
  #announceWhenComputed(id: string): void {
    void this.#computing.get(id)?.then(() => {
      this.#announcement ??= setTimeout(() => {
        this.#announcement = undefined;
        this.repositories.changes.announce({ kind: 'jobs', id: null, revision: null });
      }, announceMs).unref();
    });
  }
}

function headOf({ title, network, setups, record = {} }: Job): Head {
  const { site, asset, order, date } = record;
  return {
    title: title ?? null,
    record: { ...(site && { site }), ...(asset && { asset }), ...(order && { order }), ...(date && { date }) },
    parts: network.elements.length,
    setups: setups?.length ?? 0,
  };
}
