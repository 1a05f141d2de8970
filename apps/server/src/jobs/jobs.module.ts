import { Module } from '@nestjs/common';
import { JobSummaries } from './job-summaries.ts';
import { JobsController } from './jobs.controller.ts';
import { JobsService } from './jobs.service.ts';

@Module({ controllers: [JobsController], providers: [JobsService, JobSummaries] })
export class JobsModule {}
