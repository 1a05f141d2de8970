import { Module } from '@nestjs/common';
import { JobArchives } from './job-archives.service.ts';
import { JobSummaries } from './job-summaries.ts';
import { JobsController } from './jobs.controller.ts';
import { JobsService } from './jobs.service.ts';

@Module({ controllers: [JobsController], providers: [JobsService, JobSummaries, JobArchives] })
export class JobsModule {}
