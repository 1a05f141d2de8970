import { Controller, Delete, ForbiddenException, HttpCode, Inject, Param } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Repositories } from '../documents/repositories.ts';
import { missing } from '../documents/save-document.ts';

@ApiTags('archived')
@Controller('archived')
export class ArchivedController {
  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  /** Deletes an archived document and its whole history for good. */
  @Delete(':kind/:id')
  @HttpCode(204)
  async remove(@Param('kind') kind: string, @Param('id') id: string): Promise<void> {
    const repository = this.repositories.of(kind);
    const found = await repository.find(id);
    if (!found) throw missing(repository, id);
    // Jobs are archived beside their document; instruments and meter projects have a key for it, which their files contain too.
    const archived = found.archivedAt !== null || (found.document as { retired?: boolean }).retired === true;
    if (!archived) throw new ForbiddenException('Only what is archived can be deleted for good. Archive it first.');
    await repository.remove(id);
  }
}
