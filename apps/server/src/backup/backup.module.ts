import { Module } from '@nestjs/common';
import { BackupController } from './backup.controller.ts';
import { Restoration } from './restoration.service.ts';

@Module({ controllers: [BackupController], providers: [Restoration] })
export class BackupModule {}
