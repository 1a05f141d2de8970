import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Inject,
  Param,
  Post,
  Put,
  StreamableFile,
} from '@nestjs/common';
import { ApiBody, ApiTags } from '@nestjs/swagger';
import type { JobSummary, OpenJob } from '@usual-drag/contract';
import { CreateJobDto, SaveJobDto } from '@usual-drag/contract/dto';
import { JobsService } from './jobs.service.ts';

@ApiTags('jobs')
@Controller('jobs')
export class JobsController {
  constructor(@Inject(JobsService) private readonly service: JobsService) {}

  /** Every job that is not deleted, the last changed first. */
  @Get()
  list(): JobSummary[] {
    return this.service.list();
  }

  /** Every job that was deleted, the last one first; `restore` brings one back. */
  @Get('bin')
  bin(): JobSummary[] {
    return this.service.bin();
  }

  @Get(':id')
  read(@Param('id') id: string): OpenJob {
    return this.service.read(id);
  }

  @Post()
  create(@Body() body: CreateJobDto): OpenJob {
    return this.service.create(body.document);
  }

  /** Takes a `*.job.json` as it is. */
  @Post('import')
  @ApiBody({ schema: { $ref: '#/components/schemas/JobDto' } })
  importFile(@Body() file: unknown): OpenJob {
    return this.service.importFile(file);
  }

  /** Saves an edit; 409 with the newest version where another window has saved since. */
  @Put(':id')
  save(@Param('id') id: string, @Body() body: SaveJobDto): OpenJob {
    return this.service.save(id, body.revision, body.document);
  }

  @Post(':id/duplicate')
  duplicate(@Param('id') id: string): OpenJob {
    return this.service.duplicate(id);
  }

  /** Into the bin, from which `restore` takes it out again. */
  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id') id: string): void {
    this.service.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): OpenJob {
    return this.service.restore(id);
  }

  /** The job as a `*.job.json` to keep. */
  @Get(':id/export')
  @Header('Content-Type', 'application/json; charset=utf-8')
  exportFile(@Param('id') id: string): StreamableFile {
    const { document } = this.service.read(id);
    const name = `${
      (document.title ?? 'untitled')
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '') || 'job'
    }.job.json`;
    return new StreamableFile(Buffer.from(`${JSON.stringify(document, null, 2)}\n`), {
      type: 'application/json; charset=utf-8',
      disposition: `attachment; filename="${name}"`,
    });
  }
}
