import { type DynamicModule, Module } from '@nestjs/common';
import type { Database } from './database/database.ts';
import { DatabaseModule } from './database/database.module.ts';
import { DemoModule } from './demo/demo.module.ts';
import { HealthController } from './health/health.controller.ts';
import { InstrumentsModule } from './instruments/instruments.module.ts';
import { JobsModule } from './jobs/jobs.module.ts';
import { MeterProjectsModule } from './meter-projects/meter-projects.module.ts';

@Module({})
export class AppModule {
  static with(database: Database, demo: boolean): DynamicModule {
    const imports = [DatabaseModule.with(database), InstrumentsModule, JobsModule, MeterProjectsModule];
    return { module: AppModule, imports: demo ? [...imports, DemoModule] : imports, controllers: [HealthController] };
  }
}
