import { Inject, Injectable, NotFoundException } from '@nestjs/common';
import { checkStored, documentKinds, type DocumentKind, type DocumentOfKind } from '@usual-drag/contract';
import { DATABASE, type Database } from '../database/database.ts';
import { DocumentRepository } from '../database/document-repository.ts';
import { instruments, jobs, meterProjects, type DocumentTable } from '../database/schema.ts';
import { Changes } from './changes.ts';

type RepositoryOfKind = { readonly [K in DocumentKind]: DocumentRepository<DocumentOfKind[K]> };

/** The repository of every kind of document. */
@Injectable()
export class Repositories implements RepositoryOfKind {
  readonly jobs: RepositoryOfKind['jobs'];
  readonly instruments: RepositoryOfKind['instruments'];
  readonly 'meter-projects': RepositoryOfKind['meter-projects'];

  constructor(
    @Inject(DATABASE) readonly database: Database,
    @Inject(Changes) readonly changes: Changes,
  ) {
    const of = <K extends DocumentKind>(kind: K, table: DocumentTable) =>
      new DocumentRepository<DocumentOfKind[K]>(
        database,
        kind,
        table,
        (value) => checkStored(kind, value),
        (id, revision) => changes.announce({ kind, id, revision }),
      );
    this.jobs = of('jobs', jobs);
    this.instruments = of('instruments', instruments);
    this['meter-projects'] = of('meter-projects', meterProjects);
  }

  /** @throws a refusal (404) if there is no such kind */
  of(kind: string): DocumentRepository<unknown> {
    const known = documentKinds.find((one) => one === kind);
    if (!known) throw new NotFoundException(`There is no kind of document called ${kind}.`);
    return this[known];
  }

  get all(): readonly DocumentRepository<unknown>[] {
    return documentKinds.map((kind) => this.of(kind));
  }
}
