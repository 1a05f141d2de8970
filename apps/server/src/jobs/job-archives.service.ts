import { randomUUID } from 'node:crypto';
import { BadRequestException, Inject, Injectable } from '@nestjs/common';
import { largestUnpacked, mostArchivedFiles } from '@usual-drag/contract';
import { Repositories } from '../documents/repositories.ts';
import { Workers } from '../work/workers.ts';
import { slices } from '../work/slices.ts';

/** ms that packing or unpacking an archive may take. */
const archiveTimeoutMs = 60_000;

/** All jobs as archives of open files, and back. */
@Injectable()
export class JobArchives {
  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(Workers) private readonly workers: Workers,
  ) {}

  /** Returns the number of archives for all jobs: one, unless there are more jobs than one archive may have. */
  async parts(): Promise<number> {
    return (await this.#idsOfParts()).length;
  }

  /** Every job of a part as an open file, archived ones among them, in one ZIP archive; parts count from 1. */
  async pack(part: number): Promise<Uint8Array> {
    const ids = (await this.#idsOfParts())[part - 1];
    if (!ids) throw new BadRequestException(`There is no part ${part} of the archive of all jobs.`);
    const jobs: string[] = [];
    const breathe = slices();
    for (const id of ids) {
      const job = await this.repositories.jobs.text(id);
      if (job) jobs.push(job.text);
      await breathe();
    }
    return this.workers.asked.run('pack', jobs, archiveTimeoutMs);
  }

  /**
   * Adds every job of an archive, or none if one is not sound.
   *
   * @returns how many
   * @throws a refusal (400) with the fault in words
   */
  async unpack(archive: Uint8Array): Promise<number> {
    const jobs = await this.workers.asked.run('unpack', archive, archiveTimeoutMs);
    if (!jobs.ok) throw new BadRequestException(jobs.fault);
    const added = jobs.value.map((text) => ({ id: randomUUID(), text }));
    await this.repositories.database.addJobs(added);
    this.repositories.jobs.noteChecked(
      added.map(({ id }) => id),
      1,
    );
    this.repositories.changes.announce({ kind: 'jobs', id: null, revision: null });
    return jobs.value.length;
  }

  /** The ids of the jobs of each archive: as many as it may have, and half the bytes, for they are indented in it. */
  async #idsOfParts(): Promise<string[][]> {
    const [sizes, { lines }] = [await this.repositories.jobs.sizes(), await this.repositories.jobs.lines()];
    const sound = new Set(lines.map(({ id }) => id));
    const parts: string[][] = [[]];
    let total = 0;
    for (const { id, bytes } of sizes) {
      if (!sound.has(id)) continue;
      const last = parts.at(-1)!;
      if (last.length === mostArchivedFiles || (last.length > 0 && total + bytes > largestUnpacked / 2)) {
        parts.push([id]);
        total = bytes;
      } else {
        last.push(id);
        total += bytes;
      }
    }
    return parts;
  }
}
