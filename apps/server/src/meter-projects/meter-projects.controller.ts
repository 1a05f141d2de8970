import { Body, Controller, Get, Inject, Param, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { checkMeterProject, type StoredDocument } from '@usual-drag/contract';
import { SaveMeterProjectDto } from '@usual-drag/contract/dto';
import type { MeterProject } from '@usual-drag/core/workshop';
import { Repositories } from '../documents/repositories.ts';
import { answer, saveNamed } from '../documents/save-document.ts';
import { accept } from '../http/envelope.pipe.ts';

@ApiTags('meter-projects')
@Controller('meter-projects')
export class MeterProjectsController {
  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  /** Every meter being designed, the archived among them. */
  @Get()
  async list(): Promise<StoredDocument<MeterProject>[]> {
    return (await this.repositories['meter-projects'].list()).kept.map(answer);
  }

  /** Without a revision, a new one; with it, saves an edit: 409 if another was faster. */
  @Put(':id')
  save(@Param('id') id: string, @Body() body: SaveMeterProjectDto): Promise<StoredDocument<MeterProject>> {
    const document = accept(checkMeterProject(body.document), 'document.');
    return saveNamed(this.repositories['meter-projects'], id, body.revision, document);
  }
}
