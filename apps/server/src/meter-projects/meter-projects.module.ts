import { Module } from '@nestjs/common';
import { MeterProjectsController } from './meter-projects.controller.ts';
import { MeterProjectsShelf } from './meter-projects.shelf.ts';

@Module({ controllers: [MeterProjectsController], providers: [MeterProjectsShelf], exports: [MeterProjectsShelf] })
export class MeterProjectsModule {}
