import { Inject, Module, type OnModuleInit } from '@nestjs/common';
import { JobsModule } from '../jobs/jobs.module.ts';
import { JobsRepository } from '../jobs/jobs.repository.ts';
import { sampleJobs } from './sample-jobs.ts';

/** Puts the sample jobs into a database that has never had a job. */
@Module({ imports: [JobsModule] })
export class DemoModule implements OnModuleInit {
  constructor(@Inject(JobsRepository) private readonly repository: JobsRepository) {}

  onModuleInit(): void {
    if (!this.repository.isNew()) return;
    const now = Date.now();
    sampleJobs.forEach((job, index) => this.repository.insert(job, new Date(now - index)));
  }
}
