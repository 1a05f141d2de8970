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
  Query,
  Req,
  Res,
  StreamableFile,
} from '@nestjs/common';
import { ApiBody, ApiTags } from '@nestjs/swagger';
import type { JobSummary, StoredDocument } from '@usual-drag/contract';
import { CreateJobDto, SaveJobDto } from '@usual-drag/contract/dto';
import type { Job } from '@usual-drag/core';
import type { Request, Response } from 'express';
import { jobFileName, jobFileText } from './job-file.ts';
import { jobPicture } from './job-picture.ts';
import { JobsService } from './jobs.service.ts';

@ApiTags('jobs')
@Controller('jobs')
export class JobsController {
  constructor(@Inject(JobsService) private readonly service: JobsService) {}

  /** Every job that is not archived, the last changed first. */
  @Get()
  list(): Promise<JobSummary[]> {
    return this.service.list();
  }

  /** Every archived job, the last one first; `restore` brings one back. */
  @Get('archived')
  archived(): Promise<JobSummary[]> {
    return this.service.archived();
  }

  /** Every job as an open file, archived ones among them, in one ZIP archive. */
  @Get('export')
  async exportAll(): Promise<StreamableFile> {
    return new StreamableFile(await this.service.exportAll(), {
      type: 'application/zip',
      disposition: 'attachment; filename="usual-drag-jobs.zip"',
    });
  }

  /** Takes an archive as `export` writes it: every job of it becomes a new one, or none where one is not sound. */
  @Post('import-archive')
  async importArchive(@Req() { body }: Request): Promise<{ imported: number }> {
    return { imported: await this.service.importArchive(Buffer.isBuffer(body) ? body : Buffer.alloc(0)) };
  }

  @Get(':id')
  read(@Param('id') id: string): Promise<StoredDocument<Job>> {
    return this.service.read(id);
  }

  @Post()
  create(@Body() body: CreateJobDto): Promise<StoredDocument<Job>> {
    return this.service.create(body.document);
  }

  /** Takes a `*.job.json` as it is. */
  @Post('import')
  @ApiBody({ schema: { $ref: '#/components/schemas/JobDto' } })
  importFile(@Body() file: unknown): Promise<StoredDocument<Job>> {
    return this.service.importFile(file);
  }

  /**
   * Saves an edit. Where another one has been saved since, readings of both are kept and the answer is what came of it; 409 with the
   * newest version where both changed the rest.
   */
  @Put(':id')
  save(@Param('id') id: string, @Body() body: SaveJobDto): Promise<StoredDocument<Job>> {
    return this.service.save(id, body.revision, body.document);
  }

  @Post(':id/duplicate')
  duplicate(@Param('id') id: string): Promise<StoredDocument<Job>> {
    return this.service.duplicate(id);
  }

  /** Into the archive, from which `restore` takes it out again. */
  @Delete(':id')
  @HttpCode(204)
  archive(@Param('id') id: string): Promise<void> {
    return this.service.archive(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<StoredDocument<Job>> {
    return this.service.restore(id);
  }

  /** The network's drawing in small, in the colours of a theme. Asked for with a `revision` it never changes. */
  @Get(':id/drawing')
  async drawing(
    @Param('id') id: string,
    @Query('theme') theme: string | undefined,
    @Query('revision') revision: string | undefined,
    @Res({ passthrough: true }) response: Response,
  ): Promise<StreamableFile> {
    const job = await this.service.readAny(id);
    if (revision === String(job.revision)) response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    return new StreamableFile(Buffer.from(jobPicture(job.document, theme === 'dark' ? 'dark' : 'light')), {
      type: 'image/svg+xml; charset=utf-8',
      disposition: 'inline',
    });
  }

  /** The job as a `*.job.json` to keep. */
  @Get(':id/export')
  @Header('Content-Type', 'application/json; charset=utf-8')
  async exportFile(@Param('id') id: string): Promise<StreamableFile> {
    const { document } = await this.service.read(id);
    return new StreamableFile(Buffer.from(jobFileText(document)), {
      type: 'application/json; charset=utf-8',
      disposition: `attachment; filename="${jobFileName(document)}"`,
    });
  }
}
