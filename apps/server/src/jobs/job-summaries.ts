import { setImmediate as turn } from 'node:timers/promises';
import { Injectable } from '@nestjs/common';
import type { JobSummary } from '@usual-drag/contract';
import { jobStatus, networkMeant, readingsStatus, trueValuesOf, unreadableWords, type Job } from '@usual-drag/core';
import type { Kept } from '../database/document-repository.ts';

/** ms that a list may keep other requests waiting. */
const patience = 10;

/** The lines of the list of jobs. What has to be solved for one is kept until the job is saved again. */
@Injectable()
export class JobSummaries {
  readonly #solved = new Map<string, { readonly revision: number; readonly of: Solved }>();

  async of(jobs: readonly Kept<Job>[]): Promise<JobSummary[]> {
    const summaries: JobSummary[] = [];
    let since = performance.now();
    for (const job of jobs) {
      summaries.push(this.#summaryOf(job));
      if (performance.now() - since < patience) continue;
      await turn();
      since = performance.now();
    }
    return summaries;
  }

  #summaryOf({ id, revision, updatedAt, archivedAt, document }: Kept<Job>): JobSummary {
    const { title, network, setups, record = {} } = document;
    const { site, asset, order, date } = record;
    return {
      id,
      title: title ?? null,
      revision,
      updatedAt,
      archivedAt,
      record: { ...(site && { site }), ...(asset && { asset }), ...(order && { order }), ...(date && { date }) },
      parts: network.elements.length,
      setups: setups?.length ?? 0,
      ...this.#solve(id, revision, document),
    };
  }

  #solve(id: string, revision: number, document: Job): Solved {
    const known = this.#solved.get(id);
    if (known?.revision === revision) return known.of;
    const unloaded = trueValuesOf(networkMeant(document));
    const { worstError, unreadable } = jobStatus(document, unloaded);
    const of = { worstError, unreadable: unreadableWords(unreadable), readings: readingsStatus(document, unloaded) };
    this.#solved.set(id, { revision, of });
    return of;
  }
}

/** What has to be solved for a line of the list. */
type Solved = Pick<JobSummary, 'worstError' | 'unreadable' | 'readings'>;
