import { Module } from '@nestjs/common';
import { JobsModule } from '../jobs/jobs.module.ts';
import { SignaturesModule } from '../signatures/signatures.module.ts';
import { OrdersController } from './orders.controller.ts';
import { OrdersService } from './orders.service.ts';

@Module({
  imports: [JobsModule, SignaturesModule],
  controllers: [OrdersController],
  providers: [OrdersService],
})
export class OrdersModule {}
