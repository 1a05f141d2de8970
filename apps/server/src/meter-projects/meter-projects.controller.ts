import { Body, Controller, Get, Inject, Param, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { checkMeterProject, type ShelvedMeterProject } from '@usual-drag/contract';
import { SaveMeterProjectDto } from '@usual-drag/contract/dto';
import { accept } from '../http/envelope.pipe.ts';
import { MeterProjectsShelf } from './meter-projects.shelf.ts';

@ApiTags('meter-projects')
@Controller('meter-projects')
export class MeterProjectsController {
  constructor(@Inject(MeterProjectsShelf) private readonly shelf: MeterProjectsShelf) {}

  /** Every meter under way, those put away among it. */
  @Get()
  list(): ShelvedMeterProject[] {
    return this.shelf.list();
  }

  /** Without a revision, a new one; with it, saves an edit: 409 where another was faster. */
  @Put(':id')
  save(@Param('id') id: string, @Body() body: SaveMeterProjectDto): ShelvedMeterProject {
    return this.shelf.save(id, body.revision, accept(checkMeterProject(body.document), 'document.'));
  }
}
