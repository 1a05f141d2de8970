import { Body, Controller, Get, Inject, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { KeptSignature, SignedJob } from '@usual-drag/contract';
import { SignJobDto } from '@usual-drag/contract/dto';
import { SignaturesService } from './signatures.service.ts';

@ApiTags('signatures')
@Controller('jobs/:id/signatures')
export class SignaturesController {
  constructor(@Inject(SignaturesService) private readonly service: SignaturesService) {}

  /** Every signature on a job, the newest first. */
  @Get()
  list(@Param('id') id: string): Promise<KeptSignature[]> {
    return this.service.of(id);
  }

  /** One of them, with the job as it was then. */
  @Get(':entry')
  read(@Param('id') id: string, @Param('entry') entry: string): Promise<SignedJob> {
    return this.service.find(id, Number(entry));
  }

  /** Signs the job as it is stored; 409 with the newest version where that is not what was on the screen. */
  @Post()
  sign(@Param('id') id: string, @Body() body: SignJobDto): Promise<KeptSignature> {
    return this.service.sign(id, body);
  }
}
