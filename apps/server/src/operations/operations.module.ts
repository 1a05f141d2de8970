import { type DynamicModule, Global, Module } from '@nestjs/common';
import { DamagedModule } from '../damaged/damaged.module.ts';
import { About } from './about.ts';
import { Ending } from './ending.ts';
import { Metrics } from './metrics.ts';
import { OperationsController } from './operations.controller.ts';
import { COPY_SCHEDULE, ScheduledCopies, type CopySchedule } from './scheduled-copies.ts';
import { Warnings } from './warnings.ts';

/** What who runs the server needs: its health, figures, copies on schedule, and an end in good order. */
@Global()
@Module({})
export class OperationsModule {
  static with(schedule: CopySchedule | null): DynamicModule {
    return {
      module: OperationsModule,
      imports: [DamagedModule],
      controllers: [OperationsController],
      providers: [{ provide: COPY_SCHEDULE, useValue: schedule }, ScheduledCopies, Warnings, About, Metrics, Ending],
      exports: [Ending],
    };
  }
}
