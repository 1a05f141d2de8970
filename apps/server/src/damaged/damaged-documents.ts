import { setTimeout as delay } from 'node:timers/promises';
import { Inject, Injectable } from '@nestjs/common';
import type { DamagedDocument } from '@usual-drag/contract';
import { Repositories } from '../documents/repositories.ts';
import { SignatureRepository } from '../signatures/signature-repository.ts';

/** ms that the health waits for documents to be looked into. */
const longestLookMs = 100;

/** Stored documents that cannot be read. */
@Injectable()
export class DamagedDocuments {
  #looking: Promise<DamagedDocument[]> | null = null;

  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(SignatureRepository) private readonly signatures: SignatureRepository,
  ) {}

  /** Returns the damage that is known after at most a tenth of a second; the search continues in the background. */
  async known(): Promise<DamagedDocument[]> {
    this.#looking ??= this.all().finally(() => (this.#looking = null));
    const all = await Promise.race([this.#looking, delay(longestLookMs)]);
    return all ?? this.repositories.all.flatMap((repository) => repository.knownDamaged);
  }

  /** Every stored document of any kind, and every signature, that cannot be read. */
  async all(): Promise<DamagedDocument[]> {
    const found: DamagedDocument[] = [];
    for (const repository of this.repositories.all) found.push(...(await repository.lines()).damaged);
    return [...found, ...(await this.signatures.damaged())];
  }
}
