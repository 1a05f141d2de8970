import { Body, Controller, Get, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiBody, ApiTags } from '@nestjs/swagger';
import type { ShelvedInstrument } from '@usual-drag/contract';
import { SaveInstrumentDto } from '@usual-drag/contract/dto';
import { InstrumentsService } from './instruments.service.ts';

@ApiTags('instruments')
@Controller('instruments')
export class InstrumentsController {
  constructor(@Inject(InstrumentsService) private readonly service: InstrumentsService) {}

  /** The kit in the order of the shelf, the retired among it. */
  @Get()
  list(): ShelvedInstrument[] {
    return this.service.list();
  }

  /** Without a revision, puts a new instrument on the shelf; with it, saves an edit: 409 where another was faster. */
  @Put(':id')
  save(@Param('id') id: string, @Body() body: SaveInstrumentDto): ShelvedInstrument {
    return this.service.save(id, body.revision, body.document);
  }

  /** Takes a `*.kit.json` as it is. */
  @Post('import')
  @ApiBody({ schema: { $ref: '#/components/schemas/KitDto' } })
  importKit(@Body() file: unknown): ShelvedInstrument[] {
    return this.service.importKit(file);
  }
}
