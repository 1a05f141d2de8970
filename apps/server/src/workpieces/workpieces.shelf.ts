import { Inject, Injectable } from '@nestjs/common';
import type { Workpiece } from '@usual-drag/core';
import { DATABASE, type Database } from '../database/database.ts';
import { workpieces } from '../database/schema.ts';
import { Shelf } from '../database/shelf.ts';

@Injectable()
export class WorkpiecesShelf extends Shelf<Workpiece> {
  constructor(@Inject(DATABASE) database: Database) {
    super(database, workpieces, 'workpiece');
  }
}
