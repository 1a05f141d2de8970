import { Inject, Module, type OnModuleInit } from '@nestjs/common';
import { InstrumentsModule } from '../instruments/instruments.module.ts';
import { InstrumentsShelf } from '../instruments/instruments.shelf.ts';
import { JobsModule } from '../jobs/jobs.module.ts';
import { JobsRepository } from '../jobs/jobs.repository.ts';
import { MeterProjectsModule } from '../meter-projects/meter-projects.module.ts';
import { MeterProjectsShelf } from '../meter-projects/meter-projects.shelf.ts';
import { sampleJobs } from './sample-jobs.ts';
import { sampleMeterProjects } from './sample-meter-projects.ts';
import { shelfNotes } from './shelf-notes.ts';

/** Puts the sample jobs and meter projects, and what the workshop notes about its instruments, into a database that has never had a job. */
@Module({ imports: [InstrumentsModule, JobsModule, MeterProjectsModule] })
export class DemoModule implements OnModuleInit {
  constructor(
    @Inject(JobsRepository) private readonly jobs: JobsRepository,
    @Inject(InstrumentsShelf) private readonly instruments: InstrumentsShelf,
    @Inject(MeterProjectsShelf) private readonly meterProjects: MeterProjectsShelf,
  ) {}

  onModuleInit(): void {
    if (!this.jobs.isNew()) return;
    const now = Date.now();
    sampleJobs.forEach((job, index) => this.jobs.insert(job, new Date(now - index)));
    this.meterProjects.stock(sampleMeterProjects);
    for (const [id, notes] of Object.entries(shelfNotes(new Date(now)))) {
      const kept = this.instruments.find(id);
      if (kept?.revision === 0) this.instruments.replace(0, { ...kept.document, ...notes });
    }
  }
}
