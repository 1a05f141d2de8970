import { Module } from '@nestjs/common';
import { SignatureRepository } from './signature-repository.ts';
import { SignaturesController } from './signatures.controller.ts';
import { SignaturesService } from './signatures.service.ts';

@Module({
  controllers: [SignaturesController],
  providers: [SignaturesService, SignatureRepository],
  exports: [SignatureRepository, SignaturesService],
})
export class SignaturesModule {}
