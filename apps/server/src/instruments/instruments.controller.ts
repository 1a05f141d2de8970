import { BadRequestException, Body, Controller, Get, Inject, Param, Post, Put, Query } from '@nestjs/common';
import { ApiBody, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { StoredDocument } from '@usual-drag/contract';
import { SaveInstrumentDto } from '@usual-drag/contract/dto';
import type { KitInstrument } from '@usual-drag/core/instrument';
import { importChoices, InstrumentsService } from './instruments.service.ts';

@ApiTags('instruments')
@Controller('instruments')
export class InstrumentsController {
  constructor(@Inject(InstrumentsService) private readonly service: InstrumentsService) {}

  /** The kit, the archived instruments among it. */
  @Get()
  list(): Promise<StoredDocument<KitInstrument>[]> {
    return this.service.list();
  }

  /** Without a revision, adds a new instrument; with it, saves an edit: 409 if another was faster. */
  @Put(':id')
  save(@Param('id') id: string, @Body() body: SaveInstrumentDto): Promise<StoredDocument<KitInstrument>> {
    return this.service.save(id, body.revision, body.document);
  }

  /** Imports a `*.kit.json` as it is. `existing` chooses what happens to instruments that differ in the kit. */
  @Post('import')
  @ApiBody({ schema: { $ref: '#/components/schemas/KitDto' } })
  @ApiQuery({ name: 'existing', enum: importChoices, required: false })
  importKit(
    @Body() file: unknown,
    @Query('existing') existing: string | undefined,
  ): Promise<StoredDocument<KitInstrument>[]> {
    const choice = importChoices.find((one) => one === existing);
    if (existing !== undefined && !choice)
      throw new BadRequestException(`existing must be one of ${importChoices.join(', ')}.`);
    return this.service.importKit(file, choice);
  }
}
