import { Inject, Injectable } from '@nestjs/common';
import type { MeterProject } from '@usual-drag/core';
import { DATABASE, type Database } from '../database/database.ts';
import { meterProjects } from '../database/schema.ts';
import { Shelf } from '../database/shelf.ts';

@Injectable()
export class MeterProjectsShelf extends Shelf<MeterProject> {
  constructor(@Inject(DATABASE) database: Database) {
    super(database, meterProjects, 'meter-project');
  }
}
