import { type DynamicModule, Module } from '@nestjs/common';
import { ArchivedModule } from './archived/archived.module.ts';
import { BackupModule } from './backup/backup.module.ts';
import { DamagedModule } from './damaged/damaged.module.ts';
import type { OpenDatabase } from './database/database.ts';
import { DatabaseModule } from './database/database.module.ts';
import { DevicesModule } from './devices/devices.module.ts';
import { DemoModule } from './demo/demo.module.ts';
import { EventsModule } from './events/events.module.ts';
import { HistoryModule } from './history/history.module.ts';
import { InstrumentLinkModule } from './instrument-link/instrument-link.module.ts';
import { InstrumentsModule } from './instruments/instruments.module.ts';
import { JobsModule } from './jobs/jobs.module.ts';
import { MeterProjectsModule } from './meter-projects/meter-projects.module.ts';
import { OperationsModule } from './operations/operations.module.ts';
import type { CopySchedule } from './operations/copy-schedule.ts';
import { OrdersModule } from './orders/orders.module.ts';
import { PracticeModule } from './practice/practice.module.ts';
import { AccessModule } from './sign-in/access.module.ts';
import type { Access } from './sign-in/access.ts';
import { SignaturesModule } from './signatures/signatures.module.ts';
import { WorkModule } from './work/work.module.ts';

@Module({})
export class AppModule {
  static with(open: OpenDatabase, access: Access, copies: CopySchedule | null, demo: boolean): DynamicModule {
    const imports = [
      DatabaseModule.with(open),
      AccessModule.with(access),
      WorkModule,
      InstrumentsModule,
      InstrumentLinkModule,
      JobsModule,
      MeterProjectsModule,
      PracticeModule,
      SignaturesModule,
      OrdersModule,
      HistoryModule,
      ArchivedModule,
      DamagedModule,
      // A database server is backed up with its own tools.
      ...(open.file ? [BackupModule] : []),
      OperationsModule.with(copies),
      EventsModule,
      DevicesModule,
    ];
    return { module: AppModule, imports: demo ? [...imports, DemoModule] : imports };
  }
}
