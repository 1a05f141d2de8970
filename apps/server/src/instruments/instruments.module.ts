import { Inject, Module, type OnModuleInit } from '@nestjs/common';
import { builtInKit } from './built-in-kit.ts';
import { InstrumentsController } from './instruments.controller.ts';
import { InstrumentsRepository } from './instruments.repository.ts';

@Module({ controllers: [InstrumentsController], providers: [InstrumentsRepository] })
export class InstrumentsModule implements OnModuleInit {
  constructor(@Inject(InstrumentsRepository) private readonly repository: InstrumentsRepository) {}

  onModuleInit(): void {
    this.repository.stock(builtInKit);
  }
}
