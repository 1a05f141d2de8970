import { ConflictException, Inject, Injectable, NotFoundException } from '@nestjs/common';
import { circuitsOf, type JobSummary, type KeptSignature } from '@usual-drag/contract';
import type { SignOrderDto } from '@usual-drag/contract/dto';
import { orderHash, documentHash } from '@usual-drag/core/report';
import { Repositories } from '../documents/repositories.ts';
import { findDocument } from '../documents/save-document.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { SignaturesService } from '../signatures/signatures.service.ts';
import { OrderSequences } from './order-sequences.ts';

/** Orders: the jobs that share an order number, as circuits in a sequence. */
@Injectable()
export class OrdersService {
  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(OrderSequences) private readonly sequences: OrderSequences,
    @Inject(SignaturesService) private readonly signatures: SignaturesService,
  ) {}

  /**
   * Sets the sequence of an order's circuits.
   *
   * @throws a refusal: 404 if no job has this order number, 409 if `jobs` are not its circuits
   */
  async reorder(order: string, jobs: readonly string[]): Promise<void> {
    const circuits = await this.#circuits(order);
    if (!sameList(circuits.map(({ id }) => id).sort(), [...jobs].sort())) throw changed();
    await this.sequences.set(order, jobs);
    this.repositories.changes.announce({ kind: 'jobs', id: null, revision: null });
  }

  /**
   * Signs every circuit of an order at once, as it is stored.
   *
   * @throws a refusal: 404 if no job has this order number, 409 if the circuits, their sequence or one of their documents are not
   * what was on the screen, 400 if the report of a circuit cannot be made
   */
  async sign(order: string, { jobs, hash, by, restored }: SignOrderDto): Promise<KeptSignature[]> {
    const circuits = await this.#circuits(order);
    if (
      !sameList(
        circuits.map(({ id }) => id),
        jobs,
      )
    )
      throw changed();
    const stored = await Promise.all(jobs.map((id) => findDocument(this.repositories.jobs, id)));
    if (orderHash(stored.map(({ document }) => documentHash(document))) !== hash) throw changed();
    return this.signatures.signTogether(order, stored, { by, restored });
  }

  async #circuits(order: string): Promise<JobSummary[]> {
    const circuits = circuitsOf(await this.jobs.list(), order);
    if (circuits.length === 0) throw new NotFoundException('No job has this order number.');
    return circuits;
  }
}

const sameList = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((one, index) => one === b[index]);

const changed = (): ConflictException =>
  new ConflictException('This order has been changed since it was shown. Look at it again.');
