import { Inject, Module, type OnModuleInit } from '@nestjs/common';
import { builtInKit } from './built-in-kit.ts';
import { InstrumentsController } from './instruments.controller.ts';
import { InstrumentsRepository } from './instruments.repository.ts';
import { InstrumentsService } from './instruments.service.ts';

@Module({
  controllers: [InstrumentsController],
  providers: [InstrumentsRepository, InstrumentsService],
  exports: [InstrumentsRepository],
})
export class InstrumentsModule implements OnModuleInit {
  constructor(@Inject(InstrumentsRepository) private readonly repository: InstrumentsRepository) {}

  onModuleInit(): void {
    this.repository.stock(builtInKit);
  }
}
