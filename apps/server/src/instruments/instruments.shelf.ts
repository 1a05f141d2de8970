import { Inject, Injectable } from '@nestjs/common';
import type { KitInstrument } from '@usual-drag/core';
import { DATABASE, type Database } from '../database/database.ts';
import { instruments } from '../database/schema.ts';
import { Shelf } from '../database/shelf.ts';

@Injectable()
export class InstrumentsShelf extends Shelf<KitInstrument> {
  constructor(@Inject(DATABASE) database: Database) {
    super(database, instruments, 'instrument');
  }
}
