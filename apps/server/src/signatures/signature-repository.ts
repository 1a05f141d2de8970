import { Inject, Injectable } from '@nestjs/common';
import type { DamagedDocument, KeptSignature, SignedJob } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { documentHash, type Signature } from '@usual-drag/core/report';
import { desc, eq, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { documentText } from '../database/document-text.ts';
import type { Tables } from '../database/schema.ts';
import { sealOf } from '../database/signature-seals.ts';
import { slices } from '../work/slices.ts';

/** A signature that is to be kept. */
export interface NewSignature {
  readonly jobId: string;
  readonly revision: number;
  readonly signature: Signature;
  readonly document: Job;
}

/** The signatures on jobs. One whose row is damaged is left out of what is read, and listed apart. */
@Injectable()
export class SignatureRepository {
  /** Entries that were looked into and are as they were signed. */
  readonly #sound = new Set<number>();

  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /** Keeps signatures, each with the job that was signed: all of them, or none. */
  async keep(signed: readonly NewSignature[]): Promise<KeptSignature[]> {
    const { signatures } = this.database.tables;
    const rows = await this.database.atomically((query) =>
      signed.map(({ jobId, revision, signature, document }) =>
        query
          .insert(signatures)
          .values({
            ...signature,
            jobId,
            revision,
            document: documentText(document),
            seal: sealOf({ ...signature, jobId, revision }),
          })
          .returning({ entry: signatures.entry }),
      ),
    );
    return signed.map(({ revision, signature }, index) => ({ ...signature, entry: rows[index]![0]!.entry, revision }));
  }

  /** All sound signatures on a job, the newest first. */
  async of(jobId: string): Promise<KeptSignature[]> {
    const { signatures } = this.database.tables;
    const rows = await this.database.query
      .select(columns(signatures))
      .from(signatures)
      .where(eq(signatures.jobId, jobId))
      .orderBy(desc(signatures.entry));
    return rows.flatMap((row) => signatureOf(row) ?? []);
  }

  /** One of them, with the job as it was then; undefined if there is none, null if it is damaged. */
  async find(jobId: string, entry: number): Promise<SignedJob | null | undefined> {
    const row = await this.#row(entry);
    return row?.jobId === jobId ? signedJobOf(row) : undefined;
  }

  /** Returns the signatures that cannot be trusted because their content is not what was signed. Each is checked once while the server runs. */
  async damaged(): Promise<DamagedDocument[]> {
    const damaged: DamagedDocument[] = [];
    const breathe = slices();
    const { signatures } = this.database.tables;
    for (const { entry } of await this.database.query.select({ entry: signatures.entry }).from(signatures)) {
      if (this.#sound.has(entry)) continue;
      const row = await this.#row(entry);
      await breathe();
      if (!row) continue;
      if (signedJobOf(row) !== null) this.#sound.add(entry);
      else
        damaged.push({
          kind: 'signatures',
          id: String(entry),
          updatedAt: row.at,
          bytes: Buffer.byteLength(textOf(row)),
          message: `A signature on the job ${row.jobId} is not what was signed: it was changed or damaged.`,
        });
    }
    return damaged;
  }

  /** Returns the stored fields of one signature as text. */
  async text(entry: number): Promise<string | undefined> {
    const row = await this.#row(entry);
    return row && textOf(row);
  }

  async #row(entry: number): Promise<SignedRow | undefined> {
    const { signatures } = this.database.tables;
    const [row] = await this.database.query
      .select({ ...columns(signatures), document: sql<unknown>`${signatures.document}` })
      .from(signatures)
      .where(eq(signatures.entry, entry));
    return row;
  }
}

/** Columns as they are stored: one that is no JSON must not keep the others from being read. */
const columns = (signatures: Tables['signatures']) => ({
  jobId: signatures.jobId,
  entry: signatures.entry,
  revision: signatures.revision,
  hash: signatures.hash,
  by: signatures.by,
  at: signatures.at,
  sections: sql<unknown>`${signatures.sections}`,
  restored: sql<unknown>`${signatures.restored}`,
  kit: sql<unknown>`${signatures.kit}`,
  order: sql<unknown>`${signatures.order}`,
  seal: signatures.seal,
});

interface Row {
  readonly jobId: string;
  readonly entry: number;
  readonly revision: number;
  readonly hash: string;
  readonly by: string;
  readonly at: string;
  readonly sections: unknown;
  readonly restored: unknown;
  readonly kit: unknown;
  readonly order: unknown;
  readonly seal: string | null;
}

interface SignedRow extends Row {
  readonly document: unknown;
}

const textOf = (row: SignedRow): string => JSON.stringify(row, null, 2);

/** Returns the signature of a row; null if its seal does not match its content. */
function signatureOf(row: Row): KeptSignature | null {
  try {
    const { jobId, entry, revision, hash, by, at, seal } = row;
    const parsed = (text: unknown): never => JSON.parse(String(text)) as never;
    const [sections, restored, kit] = [parsed(row.sections), parsed(row.restored), parsed(row.kit)];
    const order = row.order === null ? {} : { order: parsed(row.order) };
    const signature: Signature = { hash, by, at, sections, restored, kit, ...order };
    return seal === sealOf({ ...signature, jobId, revision }) ? { ...signature, entry, revision } : null;
  } catch {
    return null;
  }
}

/** The same with the job, whose hash the signature has; null if it is another. */
function signedJobOf(row: SignedRow): SignedJob | null {
  const signature = signatureOf(row);
  try {
    const document = JSON.parse(String(row.document)) as Job;
    return signature?.hash === documentHash(document) ? { ...signature, document } : null;
  } catch {
    return null;
  }
}
