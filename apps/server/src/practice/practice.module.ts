import { Module } from '@nestjs/common';
import { AttemptRepository } from './attempt-repository.ts';
import { PracticeController } from './practice.controller.ts';

@Module({ controllers: [PracticeController], providers: [AttemptRepository] })
export class PracticeModule {}
