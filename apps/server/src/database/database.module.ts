import { type DynamicModule, Inject, Module, type OnApplicationShutdown } from '@nestjs/common';
import { DATABASE, type Database } from './database.ts';

/** Offers the open database to the resources and closes it when the server stops. */
@Module({})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  static with(database: Database): DynamicModule {
    return {
      module: DatabaseModule,
      global: true,
      providers: [{ provide: DATABASE, useValue: database }],
      exports: [DATABASE],
    };
  }

  onApplicationShutdown(): void {
    this.database.$client.close();
  }
}
