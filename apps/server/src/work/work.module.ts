import { Global, Module } from '@nestjs/common';
import { Workers } from './workers.ts';

@Global()
@Module({ providers: [Workers], exports: [Workers] })
export class WorkModule {}
