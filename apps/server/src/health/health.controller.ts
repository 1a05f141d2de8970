import { Controller, Get, Inject } from '@nestjs/common';
import type { DamagedDocument } from '@usual-drag/contract';
import { Repositories } from '../documents/repositories.ts';
import { damagedDocuments } from '../damaged/damaged.controller.ts';

@Controller('health')
export class HealthController {
  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  /** Answers once the server takes requests and its database can be read; names what is damaged in it. */
  @Get()
  async health(): Promise<{ status: 'ready'; damaged?: DamagedDocument[] }> {
    const damaged = await damagedDocuments(this.repositories);
    return { status: 'ready', ...(damaged.length > 0 && { damaged }) };
  }
}
