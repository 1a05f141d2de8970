import { Module } from '@nestjs/common';
import { WorkpiecesController } from './workpieces.controller.ts';
import { WorkpiecesShelf } from './workpieces.shelf.ts';

@Module({ controllers: [WorkpiecesController], providers: [WorkpiecesShelf], exports: [WorkpiecesShelf] })
export class WorkpiecesModule {}
