import { BadRequestException, Body, Controller, Get, HttpCode, Inject, Param, Post, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { checkDocument, type History, type StoredDocument } from '@usual-drag/contract';
import { KeepVersionDto } from '@usual-drag/contract/dto';
import { Repositories } from '../documents/repositories.ts';
import { missing } from '../documents/save-document.ts';
import { accept } from '../http/envelope.pipe.ts';
import { historyPage, parsedDocument } from './history-page.ts';

@ApiTags('history')
@Controller('history')
export class HistoryController {
  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  /** The versions of a document, the newest first, each with its changes; `before` requests the part after an answer's. */
  @Get(':kind/:id')
  async list(
    @Param('kind') kind: string,
    @Param('id') id: string,
    @Query('before') before: string | undefined,
  ): Promise<History> {
    const repository = this.repositories.of(kind);
    const from = before === undefined ? undefined : Number(before);
    if (from !== undefined && !Number.isSafeInteger(from)) throw new BadRequestException('before must be a number.');
    const page = await historyPage(repository, id, from);
    if (page.entries.length === 0 && from === undefined) throw missing(repository, id);
    return page;
  }

  /** One earlier version. */
  @Get(':kind/:id/:entry')
  async read(
    @Param('kind') kind: string,
    @Param('id') id: string,
    @Param('entry') entry: string,
  ): Promise<StoredDocument<unknown>> {
    const repository = this.repositories.of(kind);
    const number = Number(entry);
    const version = Number.isSafeInteger(number) ? await repository.version(id, number) : undefined;
    if (!version) throw missing(repository, id);
    const document = parsedDocument(await repository.versionText(id, version.entry));
    return { id, revision: version.revision, updatedAt: version.savedAt, document };
  }

  /** Keeps a version that was not taken when two windows had changed the same. */
  @Post(':kind/:id')
  @HttpCode(204)
  async keep(@Param('kind') kind: string, @Param('id') id: string, @Body() body: KeepVersionDto): Promise<void> {
    const repository = this.repositories.of(kind);
    const document = accept(checkDocument(repository.kind, body.document), 'document.');
    if (!(await repository.find(id))) throw missing(repository, id);
    await repository.setAside(id, body.revision, document);
  }
}
