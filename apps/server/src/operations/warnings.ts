import { statSync } from 'node:fs';
import { Inject, Injectable } from '@nestjs/common';
import type { ServerWarning } from '@usual-drag/contract';
import { databaseFile, DATA_FOLDER } from '../database/database.ts';
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
    const space = spaceWarning(this.folder, await freeSpace(this.folder), used);
    const copies = this.copies.state();
    return [
      ...(space === null ? [] : [{ about: 'disk-space', message: space } as const]),
      ...(copies?.isOverdue
        ? [
            {
              about: 'copies',
              message: `Copies in ${copies.folder} are overdue: one is due every ${copies.everyHours} h, ${copies.lastAt === null ? 'and none was made yet' : `the last was made on ${copies.lastAt.slice(0, 16).replace('T', ' ')} UTC`}.${copies.failure === null ? '' : ` ${copies.failure}`}`,
            } as const,
          ]
        : []),
    ];
  }
}
