import { createReadStream, rmSync } from 'node:fs';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { Controller, Get, HttpCode, Inject, Param, Post, Req, StreamableFile } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { CheckedBackup, KeptCopy } from '@usual-drag/contract';
import type { Request } from 'express';
import { copyDatabase, stamp } from '../database/dialects/sqlite/copies.ts';
import { DATABASE_FILE, DATA_FOLDER, type DatabaseFile } from '../database/database.ts';
import { Restoration } from './restoration.service.ts';

@ApiTags('backup')
@Controller('backup')
export class BackupController {
  constructor(
    @Inject(DATABASE_FILE) private readonly database: DatabaseFile,
    @Inject(DATA_FOLDER) private readonly folder: string,
    @Inject(Restoration) private readonly restoration: Restoration,
  ) {}

  /** Everything in one file, as of one moment, while the server keeps running. Restored by `check` or `npm run restore`. */
  @Get()
  async download(): Promise<StreamableFile> {
    const file = join(this.folder, `sending-${randomUUID()}.sqlite`);
    await copyDatabase(this.database.client, file);
    const stream = createReadStream(file);
    stream.once('close', () => rmSync(file, { force: true }));
    return new StreamableFile(stream, {
      type: 'application/vnd.sqlite3',
      disposition: `attachment; filename="usual-drag-${stamp().slice(0, 19)}.backup"`,
    });
  }

  /** The copies that the server made by itself, the newest first. */
  @Get('copies')
  copies(): KeptCopy[] {
    return this.restoration.copies();
  }

  /** Checks an uploaded backup and returns its contents. Nothing is replaced yet. */
  @Post('check')
  @HttpCode(200)
  check(@Req() request: Request): Promise<CheckedBackup> {
    return this.restoration.checkFile(request);
  }

  /** Checks one of the copies. */
  @Post('copies/:name/check')
  @HttpCode(200)
  checkCopy(@Param('name') name: string): Promise<CheckedBackup> {
    return this.restoration.checkCopy(name);
  }

  /** Replaces everything with the checked backup. Returns the name of the copy of the former contents. */
  @Post('checked/:id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<{ copy: string }> {
    return this.restoration.restore(id);
  }
}
