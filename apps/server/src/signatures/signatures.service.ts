import {
  BadRequestException,
  ConflictException,
  Inject,
  Injectable,
  NotFoundException,
  UnprocessableEntityException,
} from '@nestjs/common';
import type { KeptSignature, SignedJob } from '@usual-drag/contract';
import type { SignJobDto } from '@usual-drag/contract/dto';
import type { Job } from '@usual-drag/core/job';
import { documentHash, kitNotesOf } from '@usual-drag/core/report';
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
    const fault = await this.workers.asked.run('reportFault', JSON.stringify(current.document), reportTimeoutMs);
    if (fault !== null) throw new BadRequestException(`It cannot be signed yet. ${fault}`);
    const [last] = await this.signatures.of(jobId);
    if (last?.hash === hash && last.by === by) return last;
    const signature = { hash, by, at: new Date().toISOString(), sections, restored };
    return this.signatures.keep(
      jobId,
      revision,
      { ...signature, kit: await this.#notesOn(current.document) },
      current.document,
    );
  }

  /** Returns the kit's notes on the instruments of a job. */
  async #notesOn({ instruments = [] }: Job) {
    const { kept } = await this.repositories.instruments.list();
    return kitNotesOf(
      kept.map(({ document }) => document).filter(({ id }) => instruments.some((one) => one.id === id)),
    );
  }
}
