import { Module } from '@nestjs/common';
import { MeterProjectsController } from './meter-projects.controller.ts';

@Module({ controllers: [MeterProjectsController] })
export class MeterProjectsModule {}
