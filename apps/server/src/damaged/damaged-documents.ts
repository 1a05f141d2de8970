import { Inject, Injectable } from '@nestjs/common';
import type { DamagedDocument } from '@usual-drag/contract';
import { Repositories } from '../documents/repositories.ts';
import { SignatureRepository } from '../signatures/signature-repository.ts';

/** What is stored and cannot be read. */
@Injectable()
export class DamagedDocuments {
  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(SignatureRepository) private readonly signatures: SignatureRepository,
  ) {}

  /** Every stored document of any kind, and every signature, that cannot be read. */
  async all(): Promise<DamagedDocument[]> {
    const found: DamagedDocument[] = [];
    for (const repository of this.repositories.all) found.push(...(await repository.lines()).damaged);
    return [...found, ...(await this.signatures.damaged())];
  }
}
