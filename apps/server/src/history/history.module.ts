import { Module } from '@nestjs/common';
import { HistoryController } from './history.controller.ts';
import { HistoryThinning } from './history-thinning.ts';

@Module({ controllers: [HistoryController], providers: [HistoryThinning] })
export class HistoryModule {}
