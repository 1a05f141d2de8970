import { Inject, Injectable, NotFoundException } from '@nestjs/common';
import {
  checkStored,
  documentKinds,
  type DocumentChange,
  type DocumentKind,
  type DocumentOfKind,
} from '@usual-drag/contract';
import { changedReadings, type Job } from '@usual-drag/core/job';
import { DATABASE, type Database } from '../database/database.ts';
import { DocumentRepository, type Change } from '../database/document-repository.ts';
import type { DocumentTable } from '../database/schema.ts';
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
    const of = <K extends DocumentKind>(
      kind: K,
      table: DocumentTable,
      message: (change: Change<DocumentOfKind[K]>) => Pick<DocumentChange, 'step'> = () => ({}),
    ) =>
      new DocumentRepository<DocumentOfKind[K]>(database, kind, table, (value) => checkStored(kind, value), {
        changed: (change) => changes.announce({ kind, id: change.id, revision: change.revision, ...message(change) }),
      });
    const { jobs, instruments, meterProjects } = database.tables;
    this.jobs = of('jobs', jobs, readingsStep);
    this.instruments = of('instruments', instruments);
    this['meter-projects'] = of('meter-projects', meterProjects);
    changes.ofPeers.subscribe(({ kind, id, revision }) => {
      if (id !== null) this.of(kind).forgetBefore(id, revision);
    });
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

/** Largest number of readings in an announcement; with more, each page requests the job. */
const mostCarried = 20;

/** Returns the readings that changed since the version before, if nothing else has changed. */
function readingsStep({ saved }: Change<Job>): Pick<DocumentChange, 'step'> {
  const readings = saved?.before && changedReadings(saved.before, saved.document);
  if (!readings || readings.length > mostCarried) return {};
  return { step: { updatedAt: saved.updatedAt, readings } };
}
