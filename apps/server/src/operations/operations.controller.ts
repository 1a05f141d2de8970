import { Controller, Get, Header, Inject, Res, StreamableFile } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { AboutAnswer, HealthAnswer } from '@usual-drag/contract';
import type { Response } from 'express';
import { DamagedDocuments } from '../damaged/damaged-documents.ts';
import { DATABASE, type Database } from '../database/database.ts';
import { stamp } from '../database/dialects/sqlite/copies.ts';
import { About } from './about.ts';
import { Metrics } from './metrics.ts';
import { Warnings } from './warnings.ts';

@ApiTags('operations')
@Controller()
export class OperationsController {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DamagedDocuments) private readonly documents: DamagedDocuments,
    @Inject(Warnings) private readonly warnings: Warnings,
    @Inject(About) private readonly installation: About,
    @Inject(Metrics) private readonly figures: Metrics,
  ) {}

  /** Answers if the database can be read. With a session, it also lists damaged documents and conditions that need attention. */
  @Get('health')
  async health(@Res({ passthrough: true }) response: Response): Promise<HealthAnswer | Pick<HealthAnswer, 'status'>> {
    if (response.locals.isMonitor) {
      await this.database.version();
      return { status: 'ready' };
    }
    const damaged = await this.documents.known();
    const warnings = await this.warnings.now();
    const { engine } = this.database;
    return {
      status: 'ready',
      engine,
      ...(damaged.length > 0 && { damaged }),
      ...(warnings.length > 0 && { warnings }),
    };
  }

  /** Metrics in the common text format. */
  @Get('metrics')
  async metrics(@Res({ passthrough: true }) response: Response): Promise<string> {
    response.type(this.figures.contentType);
    return this.figures.text();
  }

  /** Version, data and copies of this installation. */
  @Get('about')
  about(): Promise<AboutAnswer> {
    return this.installation.read();
  }

  /** Report for support, with the last lines of the log and without job contents. */
  @Get('about/report')
  @Header('Cache-Control', 'no-store')
  async report(): Promise<StreamableFile> {
    return new StreamableFile(Buffer.from(await this.installation.report()), {
      type: 'application/json',
      disposition: `attachment; filename="usual-drag-report-${stamp().slice(0, 19)}.json"`,
    });
  }
}
