import { Controller, Get, Inject } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Instrument } from '@usual-drag/core';
import { InstrumentsRepository } from './instruments.repository.ts';

@ApiTags('instruments')
@Controller('instruments')
export class InstrumentsController {
  constructor(@Inject(InstrumentsRepository) private readonly repository: InstrumentsRepository) {}

  /** The kit, in the order of the shelf. */
  @Get()
  list(): Instrument[] {
    return this.repository.list();
  }
}
