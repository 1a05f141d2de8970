import { Inject, Injectable } from '@nestjs/common';
import type { KeptSignature, SignedJob } from '@usual-drag/contract';
import type { Job, Signature } from '@usual-drag/core';
import { and, desc, eq } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { documentText } from '../database/document-text.ts';
import { signatures } from '../database/schema.ts';

@Injectable()
export class SignatureRepository {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /** Keeps a signature with the job that was signed. */
  async keep(jobId: string, revision: number, signature: Signature, document: Job): Promise<KeptSignature> {
    const [row] = await this.database
      .insert(signatures)
      .values({ ...signature, jobId, revision, document: documentText(document) })
      .returning({ entry: signatures.entry });
    return { ...signature, entry: row!.entry, revision };
  }

  /** All signatures on a job, the newest first. */
  async of(jobId: string): Promise<KeptSignature[]> {
    const { jobId: _job, document: _document, ...told } = columns;
    return this.database
      .select(told)
      .from(signatures)
      .where(eq(signatures.jobId, jobId))
      .orderBy(desc(signatures.entry));
  }

  /** One of them, with the job as it was then. */
  async find(jobId: string, entry: number): Promise<SignedJob | undefined> {
    const { jobId: _job, ...told } = columns;
    const [row] = await this.database
      .select(told)
      .from(signatures)
      .where(and(eq(signatures.jobId, jobId), eq(signatures.entry, entry)));
    return row && { ...row, document: JSON.parse(row.document) as Job };
  }
}

const columns = {
  jobId: signatures.jobId,
  entry: signatures.entry,
  revision: signatures.revision,
  hash: signatures.hash,
  by: signatures.by,
  at: signatures.at,
  sections: signatures.sections,
  restored: signatures.restored,
  kit: signatures.kit,
  document: signatures.document,
};
