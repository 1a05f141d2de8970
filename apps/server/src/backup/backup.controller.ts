import { createReadStream, rmSync } from 'node:fs';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { Controller, Get, Inject, StreamableFile } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { copyDatabase, stamp } from '../database/copies.ts';
import { DATABASE, DATA_FOLDER, type Database } from '../database/database.ts';

@ApiTags('backup')
@Controller('backup')
export class BackupController {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DATA_FOLDER) private readonly folder: string,
  ) {}

  /** Everything in one file, as of one moment, while the server keeps running. `npm run restore` restores it. */
  @Get()
  async download(): Promise<StreamableFile> {
    const file = join(this.folder, `sending-${randomUUID()}.sqlite`);
    await copyDatabase(this.database.$client, file);
    const stream = createReadStream(file);
    stream.once('close', () => rmSync(file, { force: true }));
    return new StreamableFile(stream, {
      type: 'application/vnd.sqlite3',
      disposition: `attachment; filename="usual-drag-${stamp().slice(0, 19)}.backup"`,
    });
  }
}
