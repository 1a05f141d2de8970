import { type DynamicModule, Global, Module } from '@nestjs/common';
import { DamagedModule } from '../damaged/damaged.module.ts';
import { About } from './about.ts';
import { Shutdown } from './shutdown.ts';
import { Metrics } from './metrics.ts';
import { OperationsController } from './operations.controller.ts';
import type { CopySchedule } from './copy-schedule.ts';
import { COPY_SCHEDULE, ScheduledCopies } from './scheduled-copies.ts';
import { Warnings } from './warnings.ts';

/** Health, metrics, copies on schedule and shutdown, for the operator of the server. */
@Global()
@Module({})
export class OperationsModule {
  static with(schedule: CopySchedule | null): DynamicModule {
    return {
      module: OperationsModule,
      imports: [DamagedModule],
      controllers: [OperationsController],
      providers: [{ provide: COPY_SCHEDULE, useValue: schedule }, ScheduledCopies, Warnings, About, Metrics, Shutdown],
      exports: [Shutdown],
    };
  }
}
