import { Module } from '@nestjs/common';
import { BackupController } from './backup.controller.ts';

@Module({ controllers: [BackupController] })
export class BackupModule {}
