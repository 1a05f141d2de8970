import { Body, Controller, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { KeptSignature } from '@usual-drag/contract';
import { OrderSequenceDto, SignOrderDto } from '@usual-drag/contract/dto';
import { OrdersService } from './orders.service.ts';

@ApiTags('orders')
@Controller('orders/:order')
export class OrdersController {
  constructor(@Inject(OrdersService) private readonly service: OrdersService) {}

  /** Sets the sequence of the circuits; 409 if they are not the jobs that have this order number now. */
  @Put('sequence')
  @HttpCode(204)
  reorder(@Param('order') order: string, @Body() { jobs }: OrderSequenceDto): Promise<void> {
    return this.service.reorder(order, jobs);
  }

  /** Signs every circuit as it is stored, all or none; 409 if that is not what was on the screen. */
  @Post('signatures')
  sign(@Param('order') order: string, @Body() body: SignOrderDto): Promise<KeptSignature[]> {
    return this.service.sign(order, body);
  }
}
