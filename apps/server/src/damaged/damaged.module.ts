import { Module } from '@nestjs/common';
import { DamagedController } from './damaged.controller.ts';

@Module({ controllers: [DamagedController] })
export class DamagedModule {}
