import { Module } from '@nestjs/common';
import { EventsController } from './events.controller.ts';

@Module({ controllers: [EventsController] })
export class EventsModule {}
