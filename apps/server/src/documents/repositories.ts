import { Inject, Injectable, NotFoundException } from '@nestjs/common';
import { checkStored, documentKinds, type DocumentKind, type DocumentOfKind } from '@usual-drag/contract';
import { DATABASE, type Database } from '../database/database.ts';
import { DocumentRepository } from '../database/document-repository.ts';
import { instruments, jobs, meterProjects } from '../database/schema.ts';

type RepositoryOfKind = { readonly [K in DocumentKind]: DocumentRepository<DocumentOfKind[K]> };

/** The repository of every kind of document. */
@Injectable()
export class Repositories implements RepositoryOfKind {
  readonly jobs: RepositoryOfKind['jobs'];
  readonly instruments: RepositoryOfKind['instruments'];
  readonly 'meter-projects': RepositoryOfKind['meter-projects'];

  constructor(@Inject(DATABASE) readonly database: Database) {
    this.jobs = new DocumentRepository(database, 'jobs', jobs, (value) => checkStored('jobs', value));
    this.instruments = new DocumentRepository(database, 'instruments', instruments, (value) =>
      checkStored('instruments', value),
    );
    this['meter-projects'] = new DocumentRepository(database, 'meter-projects', meterProjects, (value) =>
      checkStored('meter-projects', value),
    );
  }

  /** @throws a refusal (404) where there is no such kind */
  of(kind: string): DocumentRepository<unknown> {
    const known = documentKinds.find((one) => one === kind);
    if (!known) throw new NotFoundException(`There is no kind of document called ${kind}.`);
    return this[known];
  }

  get all(): readonly DocumentRepository<unknown>[] {
    return documentKinds.map((kind) => this.of(kind));
  }
}
