import { Module } from '@nestjs/common';
import { SignaturesModule } from '../signatures/signatures.module.ts';
import { DamagedController } from './damaged.controller.ts';
import { DamagedDocuments } from './damaged-documents.ts';

@Module({
  imports: [SignaturesModule],
  controllers: [DamagedController],
  providers: [DamagedDocuments],
  exports: [DamagedDocuments],
})
export class DamagedModule {}
