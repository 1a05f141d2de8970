import {
  BadRequestException,
  ConflictException,
  Inject,
  Injectable,
  NotFoundException,
  UnprocessableEntityException,
} from '@nestjs/common';
import type { KeptSignature, SignedJob, StoredDocument } from '@usual-drag/contract';
import type { SignJobDto } from '@usual-drag/contract/dto';
import type { Job } from '@usual-drag/core/job';
import {
  documentHash,
  kitNotesOf,
  orderHash,
  orderSignatures,
  reportSections,
  type Signature,
} from '@usual-drag/core/report';
import { Repositories } from '../documents/repositories.ts';
import { findDocument } from '../documents/save-document.ts';
import { Workers } from '../work/workers.ts';
import { SignatureRepository } from './signature-repository.ts';

/** ms that making the report may take before it is signed. */
const reportTimeoutMs = 20_000;

@Injectable()
export class SignaturesService {
  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(SignatureRepository) private readonly signatures: SignatureRepository,
    @Inject(Workers) private readonly workers: Workers,
  ) {}

  /** All signatures on a job, the newest first. */
  of(jobId: string): Promise<KeptSignature[]> {
    return this.signatures.of(jobId);
  }

  async find(jobId: string, entry: number): Promise<SignedJob> {
    const found = Number.isSafeInteger(entry) ? await this.signatures.find(jobId, entry) : undefined;
    if (found === null)
      throw new UnprocessableEntityException(
        `This signature was changed or damaged in the database. What is stored of it: /api/damaged/signatures/${entry}`,
      );
    if (!found) throw new NotFoundException('There is no such signature on this job.');
    return found;
  }

  /**
   * Signs a job as it is stored, with the kit's present notes on its instruments. The same signature again returns the existing one.
   *
   * @throws a refusal: 404 if there is no such job, 409 if it is not what was on the screen, 400 if it cannot be worked out
   */
  async sign(jobId: string, { revision, hash, by, sections, restored }: SignJobDto): Promise<KeptSignature> {
    const current = await findDocument(this.repositories.jobs, jobId);
    if (current.revision !== revision || documentHash(current.document) !== hash)
      throw new ConflictException({
        message: 'This job has been changed since it was shown. Look at the report again, then sign it.',
        details: { current },
      });
    await this.#refuseUnlessReportable(current.document);
    const [last] = await this.signatures.of(jobId);
    if (last?.hash === hash && last.by === by) return last;
    const at = new Date().toISOString();
    const signature = { hash, by, at, sections, restored, kit: await this.#notesOn(current.document) };
    const [kept] = await this.signatures.keep([{ jobId, revision, signature, document: current.document }]);
    return kept!;
  }

  /**
   * Signs the circuits of an order as they were read, all or none, with every section. The same again returns the existing ones.
   *
   * @param circuits  in their sequence
   * @throws a refusal (400) if the report of a circuit cannot be made
   */
  async signTogether(
    number: string,
    circuits: readonly StoredDocument<Job>[],
    { by, restored }: Pick<Signature, 'by' | 'restored'>,
  ): Promise<KeptSignature[]> {
    for (const { document } of circuits) await this.#refuseUnlessReportable(document);
    const hashes = circuits.map(({ document }) => documentHash(document));
    const former = await Promise.all(circuits.map(({ id }) => this.signatures.of(id)));
    const [last] = orderSignatures(former.flat(), number);
    if (last?.hash === orderHash(hashes) && last.by === by) return [...last.circuits];
    const at = new Date().toISOString();
    const order = { number, circuits: hashes };
    const signed = circuits.map(async ({ id, revision, document }, index) => ({
      jobId: id,
      revision,
      signature: {
        hash: hashes[index]!,
        by,
        at,
        sections: reportSections,
        restored,
        kit: await this.#notesOn(document),
        order,
      },
      document,
    }));
    return this.signatures.keep(await Promise.all(signed));
  }

  async #refuseUnlessReportable(job: Job): Promise<void> {
    const fault = await this.workers.asked.run('reportFault', JSON.stringify(job), reportTimeoutMs);
    if (fault !== null) throw new BadRequestException(`${job.title ?? 'Untitled'} cannot be signed yet. ${fault}`);
  }

  /** Returns the kit's notes on the instruments of a job. */
  async #notesOn({ instruments = [] }: Job) {
    const { kept } = await this.repositories.instruments.list();
    return kitNotesOf(
      kept.map(({ document }) => document).filter(({ id }) => instruments.some((one) => one.id === id)),
    );
  }
}
