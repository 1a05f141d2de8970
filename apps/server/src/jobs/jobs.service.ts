import { ConflictException, Inject, Injectable, NotFoundException } from '@nestjs/common';
import { checkDraft, checkJob, type JobSummary, type OpenJob } from '@usual-drag/contract';
import { accept } from '../http/envelope.pipe.ts';
import { JobsRepository, type StoredJob } from './jobs.repository.ts';

@Injectable()
export class JobsService {
  constructor(@Inject(JobsRepository) private readonly repository: JobsRepository) {}

  list(): JobSummary[] {
    return this.repository.list();
  }

  bin(): JobSummary[] {
    return this.repository.list({ deleted: true });
  }

  read(id: string): OpenJob {
    return open(this.repository.find(id) ?? missing(id));
  }

  create(document: unknown): OpenJob {
    return open(this.repository.insert(accept(checkDraft(document), 'document.')));
  }

  /** A file from outside must be sound as a whole, not only in shape. */
  importFile(file: unknown): OpenJob {
    return open(this.repository.insert(accept(checkJob(file), '')));
  }

  /** Saves what was edited from `revision`. A stale one is refused together with the newest, so that none is lost. */
  save(id: string, revision: number, document: unknown): OpenJob {
    const sound = accept(checkDraft(document), 'document.');
    const saved = this.repository.replace(id, revision, sound);
    if (saved) return open(saved);
    const current = open(this.repository.find(id) ?? missing(id));
    throw new ConflictException({
      message: `This job was changed elsewhere: it is at revision ${current.revision}, the edit began at ${revision}.`,
      details: { current },
    });
  }

  duplicate(id: string): OpenJob {
    const { document } = this.read(id);
    return open(this.repository.insert({ ...document, title: `${document.title ?? 'Untitled'} (copy)` }));
  }

  remove(id: string): void {
    if (!this.repository.setDeleted(id, true)) missing(id);
  }

  restore(id: string): OpenJob {
    this.repository.setDeleted(id, false);
    return this.read(id);
  }
}

const open = ({ id, revision, updatedAt, document }: StoredJob): OpenJob => ({ id, revision, updatedAt, document });

function missing(id: string): never {
  throw new NotFoundException(
    `There is no job ${id}. If it was deleted it can be brought back, below the list of jobs.`,
  );
}
