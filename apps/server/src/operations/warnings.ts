import { Inject, Injectable } from '@nestjs/common';
import type { ServerWarning } from '@usual-drag/contract';
import { DATABASE, DATA_FOLDER, type Database } from '../database/database.ts';
import { copiesWarning } from './copy-schedule.ts';
import { freeSpace, spaceWarning } from './free-space.ts';
import { ScheduledCopies } from './scheduled-copies.ts';

/** Conditions of this installation that need attention before work is lost. */
@Injectable()
export class Warnings {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DATA_FOLDER) private readonly folder: string,
    @Inject(ScheduledCopies) private readonly copies: ScheduledCopies,
  ) {}

  async now(): Promise<ServerWarning[]> {
    // Copies of a database server are not made here.
    const used = this.database.address === null ? await this.database.bytes() : 0;
    const copies = this.copies.state();
    const messages: Readonly<Record<ServerWarning['about'], string | null>> = {
      'disk-space': spaceWarning(this.folder, await freeSpace(this.folder), used),
      copies: copies && copiesWarning(copies),
    };
    return Object.entries(messages).flatMap(([about, message]) =>
      message === null ? [] : [{ about: about as ServerWarning['about'], message }],
    );
  }
}
