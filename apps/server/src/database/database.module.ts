import { type DynamicModule, Inject, Module, type OnApplicationShutdown } from '@nestjs/common';
import { DATABASE, DATABASE_FILE, DATA_FOLDER, UPGRADE, type OpenDatabase } from './database.ts';
import { Changes } from '../documents/changes.ts';
import { Repositories } from '../documents/repositories.ts';

const OPEN = Symbol('open database');

/** Offers the repositories to the resources and closes the database when the server stops. */
@Module({})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(@Inject(OPEN) private readonly open: OpenDatabase) {}

  static with(open: OpenDatabase): DynamicModule {
    return {
      module: DatabaseModule,
      global: true,
      providers: [
        { provide: OPEN, useValue: open },
        { provide: DATABASE, useValue: open.database },
        { provide: DATABASE_FILE, useValue: open.file },
        { provide: DATA_FOLDER, useValue: open.folder },
        { provide: UPGRADE, useValue: open.upgrade },
        Changes,
        Repositories,
      ],
      exports: [DATABASE, DATABASE_FILE, DATA_FOLDER, UPGRADE, Changes, Repositories],
    };
  }

  onApplicationShutdown(): Promise<void> {
    return this.open.close();
  }
}
