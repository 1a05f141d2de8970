import { Controller, Get, Inject, NotFoundException, Param, StreamableFile } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { DamagedDocument } from '@usual-drag/contract';
import { Repositories } from '../documents/repositories.ts';
import { SignatureRepository } from '../signatures/signature-repository.ts';
import { DamagedDocuments } from './damaged-documents.ts';

@ApiTags('damaged')
@Controller('damaged')
export class DamagedController {
  constructor(
    @Inject(DamagedDocuments) private readonly damaged: DamagedDocuments,
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(SignatureRepository) private readonly signatures: SignatureRepository,
  ) {}

  /** Every stored document or signature that cannot be read: set aside, its bytes kept. */
  @Get()
  list(): Promise<DamagedDocument[]> {
    return this.damaged.all();
  }

  /** The bytes of a document, or the columns of a signature, as they are in the database. */
  @Get(':kind/:id')
  async download(@Param('kind') kind: string, @Param('id') id: string): Promise<StreamableFile> {
    const bytes =
      kind === 'signatures' ? await this.#signature(Number(id)) : await this.repositories.of(kind).bytes(id);
    if (!bytes) throw new NotFoundException(`There is nothing stored as ${kind}/${id}.`);
    return new StreamableFile(bytes, {
      type: 'application/octet-stream',
      disposition: `attachment; filename="${id.replace(/[^A-Za-z0-9-]/g, '_')}.damaged"`,
    });
  }

  async #signature(entry: number): Promise<Buffer | undefined> {
    const text = Number.isSafeInteger(entry) ? await this.signatures.text(entry) : undefined;
    return text === undefined ? undefined : Buffer.from(text);
  }
}
