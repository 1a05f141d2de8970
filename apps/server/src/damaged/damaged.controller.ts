import { Controller, Get, Inject, NotFoundException, Param, StreamableFile } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { DamagedDocument } from '@usual-drag/contract';
import { Repositories } from '../documents/repositories.ts';

@ApiTags('damaged')
@Controller('damaged')
export class DamagedController {
  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  /** Every stored document that cannot be read: set aside, its bytes kept. */
  @Get()
  async list(): Promise<DamagedDocument[]> {
    return damagedDocuments(this.repositories);
  }

  /** The bytes of a document as they lie in the database. */
  @Get(':kind/:id')
  async download(@Param('kind') kind: string, @Param('id') id: string): Promise<StreamableFile> {
    const bytes = await this.repositories.of(kind).bytes(id);
    if (!bytes) throw new NotFoundException(`There is nothing stored as ${kind}/${id}.`);
    return new StreamableFile(bytes, {
      type: 'application/octet-stream',
      disposition: `attachment; filename="${id.replace(/[^A-Za-z0-9-]/g, '_')}.damaged"`,
    });
  }
}

/** Every stored document that cannot be read, of all kinds. */
export async function damagedDocuments(repositories: Repositories): Promise<DamagedDocument[]> {
  const found: DamagedDocument[] = [];
  for (const repository of repositories.all) found.push(...(await repository.list()).damaged);
  return found;
}
