import { Module } from '@nestjs/common';
import { InstrumentLinkController } from './instrument-link.controller.ts';
import { InstrumentLinkService } from './instrument-link.service.ts';

@Module({ controllers: [InstrumentLinkController], providers: [InstrumentLinkService] })
export class InstrumentLinkModule {}
