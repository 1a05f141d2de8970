import { BadGatewayException, Body, Controller, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { InstrumentReading } from '@usual-drag/contract';
import { ReadInstrumentDto } from '@usual-drag/contract/dto';
import { InstrumentLinkService } from './instrument-link.service.ts';
import { LinkFailure } from './link-failure.ts';

@ApiTags('instruments')
@Controller('instruments')
export class InstrumentLinkController {
  constructor(@Inject(InstrumentLinkService) private readonly service: InstrumentLinkService) {}

  /** Takes a reading from an instrument that has an address in the kit; 502 with what happened where it gives none. */
  @Post(':id/read')
  @HttpCode(200)
  async read(@Param('id') id: string, @Body() body: ReadInstrumentDto): Promise<InstrumentReading> {
    try {
      return await this.service.read(id, body);
    } catch (failure) {
      if (failure instanceof LinkFailure) throw new BadGatewayException(failure.message);
      throw failure;
    }
  }
}
