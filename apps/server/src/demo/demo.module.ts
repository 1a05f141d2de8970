import { randomUUID } from 'node:crypto';
import { Inject, Module, type OnModuleInit } from '@nestjs/common';
import { ne } from 'drizzle-orm';
import { Repositories } from '../documents/repositories.ts';
import { documentText } from '../database/document-text.ts';
import { InstrumentsModule } from '../instruments/instruments.module.ts';
import { simulatedMultimeter } from '../stand-in/simulated-multimeter-kit.ts';
import { DemoInstrument } from './demo-instrument.ts';
import { kitNotes } from './kit-notes.ts';
import { madeByDemo } from './made-by-demo.ts';
import { plantMultimeter } from './plant-multimeter.ts';
import { sampleAttempts } from './sample-attempts.ts';
import { demoJobs } from './demo-jobs.ts';
import { sampleMeterProjects } from './sample-meter-projects.ts';

/**
 * Puts the sample jobs, meter projects and attempts, and what the workshop notes about its instruments, into a database that has never had a
 * job: all of it or nothing.
 */
@Module({ imports: [InstrumentsModule], providers: [DemoInstrument] })
export class DemoModule implements OnModuleInit {
  constructor(
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(DemoInstrument) private readonly instrument: DemoInstrument,
  ) {}

  async onModuleInit(): Promise<void> {
    await this.repositories.database.alone(() => this.#putSamples());
    await this.instrument.start();
  }

  async #putSamples(): Promise<void> {
    const { jobs, instruments: kit, 'meter-projects': projects, database } = this.repositories;
    if (!(await jobs.isEmpty())) return;
    const { attempts, instruments, properties } = database.tables;
    const now = new Date();
    const edited = await database.query
      .select({ id: instruments.id })
      .from(instruments)
      .where(ne(instruments.revision, 0));
    const untouched = edited.length === 0 && (await projects.isEmpty());
    const notes = Object.entries(kitNotes(now));
    const stored = (await kit.list()).kept.filter(({ revision }) => revision === 0);
    await database.atomically((query) => [
      // An unused database is the demo's, to be removed again when a fresh one is asked for.
      query
        .insert(properties)
        .values(untouched ? [madeByDemo] : [{ name: 'samples', value: now.toISOString() }])
        .onConflictDoNothing(),
      ...demoJobs.map((job, index) =>
        jobs.insertion(query, randomUUID(), documentText(job), new Date(now.getTime() - index), 1),
      ),
      ...sampleMeterProjects.map((project, index) =>
        projects.insertion(query, project.id, documentText(project), new Date(now.getTime() + index), 0),
      ),
      kit.insertion(query, plantMultimeter.id, documentText(plantMultimeter), now, 1),
      kit.insertion(query, simulatedMultimeter.id, documentText(simulatedMultimeter), now, 1),
      query.insert(attempts).values(sampleAttempts(now)),
      ...notes.flatMap(([id, note]) => {
        const kept = stored.find((one) => one.id === id);
        return kept ? kit.replacement(query, id, 0, documentText({ ...kept.document, ...note }), now) : [];
      }),
    ]);
  }
}
