import { Inject, Module, type OnModuleInit } from '@nestjs/common';
import { builtInKit } from './built-in-kit.ts';
import { InstrumentsController } from './instruments.controller.ts';
import { InstrumentsShelf } from './instruments.shelf.ts';
import { InstrumentsService } from './instruments.service.ts';

@Module({
  controllers: [InstrumentsController],
  providers: [InstrumentsShelf, InstrumentsService],
  exports: [InstrumentsShelf],
})
export class InstrumentsModule implements OnModuleInit {
  constructor(@Inject(InstrumentsShelf) private readonly shelf: InstrumentsShelf) {}

  onModuleInit(): void {
    this.shelf.stock(builtInKit);
  }
}
