import { statSync } from 'node:fs';
import { Inject, Injectable } from '@nestjs/common';
import type { ServerWarning } from '@usual-drag/contract';
import { databaseFile, DATA_FOLDER } from '../database/dialects/sqlite/open-sqlite.ts';
import { copiesWarning } from './copy-schedule.ts';
import { freeSpace, spaceWarning } from './free-space.ts';
import { ScheduledCopies } from './scheduled-copies.ts';

/** Conditions of this installation that need attention before work is lost. */
@Injectable()
export class Warnings {
  constructor(
    @Inject(DATA_FOLDER) private readonly folder: string,
    @Inject(ScheduledCopies) private readonly copies: ScheduledCopies,
  ) {}

  async now(): Promise<ServerWarning[]> {
    const used = statSync(databaseFile(this.folder)).size;
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
