import { Controller, Get, Inject } from '@nestjs/common';
import type { DamagedDocument } from '@usual-drag/contract';
import { DamagedDocuments } from '../damaged/damaged-documents.ts';

@Controller('health')
export class HealthController {
  constructor(@Inject(DamagedDocuments) private readonly documents: DamagedDocuments) {}

  /** Answers once the server takes requests and its database can be read; names what is damaged in it. */
  @Get()
  async health(): Promise<{ status: 'ready'; damaged?: DamagedDocument[] }> {
    const damaged = await this.documents.known();
    return { status: 'ready', ...(damaged.length > 0 && { damaged }) };
  }
}
