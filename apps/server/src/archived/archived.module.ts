import { Module } from '@nestjs/common';
import { ArchivedController } from './archived.controller.ts';

@Module({ controllers: [ArchivedController] })
export class ArchivedModule {}
