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
import type { JobSummary, SavedReadings, StoredDocument } from '@usual-drag/contract';
import { CreateJobDto, SaveJobDto, SaveReadingsDto } from '@usual-drag/contract/dto';
import type { Job } from '@usual-drag/core/job';
import type { Request, Response } from 'express';
import { jobFileName, jobFileText } from './job-file.ts';
import { JobArchives } from './job-archives.service.ts';
import { JobsService } from './jobs.service.ts';

@ApiTags('jobs')
@Controller('jobs')
export class JobsController {
  constructor(
    @Inject(JobsService) private readonly service: JobsService,
    @Inject(JobArchives) private readonly archives: JobArchives,
  ) {}

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

  /** Number of archives that `export` writes: one, unless there are more jobs than one archive may have. */
  @Get('export-parts')
  async exportParts(): Promise<{ parts: number }> {
    return { parts: await this.archives.parts() };
  }

  /** Every job as an open file, archived ones among them, in one ZIP archive, or in the part of it that is asked for. */
  @Get('export')
  async exportAll(@Query('part') part: string | undefined): Promise<StreamableFile> {
    return new StreamableFile(await this.archives.pack(part === undefined ? 1 : Number(part)), {
      type: 'application/zip',
      disposition: `attachment; filename="usual-drag-jobs${part === undefined ? '' : `-${Number(part)}`}.zip"`,
    });
  }

  /** Takes an archive as `export` writes it: every job of it becomes a new one, or none if one is not sound. */
  @Post('import-archive')
  async importArchive(@Req() { body }: Request): Promise<{ imported: number }> {
    return { imported: await this.archives.unpack(Buffer.isBuffer(body) ? body : Buffer.alloc(0)) };
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

  /**
   * Saves readings; equivalent to a save of the whole job with them, but request and answer do not grow with the job. The answer is
   * the whole job if something else has changed since `revision`; 409 if that revision is no longer stored.
   */
  @Post(':id/readings')
  @HttpCode(200)
  saveReadings(@Param('id') id: string, @Body() body: SaveReadingsDto): Promise<SavedReadings | StoredDocument<Job>> {
    return this.service.saveReadings(id, body.revision, body.readings);
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

  /** Small drawing of the network in the colours of a theme. A browser stores it, and revalidates it each time. */
  @Get(':id/drawing')
  async drawing(
    @Param('id') id: string,
    @Query('theme') asked: string | undefined,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<StreamableFile | undefined> {
    const theme = asked === 'dark' ? 'dark' : 'light';
    const tag = `"${await this.service.revisionOf(id)}-${theme}"`;
    response.setHeader('Cache-Control', 'private, no-cache').setHeader('ETag', tag);
    if (request.headers['if-none-match'] === tag) {
      response.status(304);
      return undefined;
    }
    return new StreamableFile(Buffer.from(await this.service.picture(id, theme)), {
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
