import { Module } from '@nestjs/common';
import { OrderSequences } from '../orders/order-sequences.ts';
import { JobArchives } from './job-archives.service.ts';
import { JobSummaries } from './job-summaries.ts';
import { JobsController } from './jobs.controller.ts';
import { JobsService } from './jobs.service.ts';

@Module({
  controllers: [JobsController],
  providers: [JobsService, JobSummaries, JobArchives, OrderSequences],
  exports: [JobsService, OrderSequences],
})
export class JobsModule {}
