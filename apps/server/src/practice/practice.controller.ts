import { BadRequestException, Body, Controller, Delete, Get, HttpCode, Inject, Post, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { KeptAttempt, Learner } from '@usual-drag/contract';
import { KeepAttemptDto } from '@usual-drag/contract/dto';
import { AttemptRepository } from './attempt-repository.ts';

@ApiTags('practice')
@Controller('practice')
export class PracticeController {
  constructor(@Inject(AttemptRepository) private readonly repository: AttemptRepository) {}

  /** Everybody who practised. A person is a name: there are no accounts. */
  @Get('learners')
  learners(): Promise<Learner[]> {
    return this.repository.learners();
  }

  /** Results of a person's problems, the oldest first. */
  @Get('attempts')
  attempts(@Query('person') person: unknown): Promise<KeptAttempt[]> {
    return this.repository.of(named(person));
  }

  /** Keeps what came of a problem. Sent again with the same id it is kept once. */
  @Post('attempts')
  @HttpCode(204)
  keep(@Body() { slip = null, ...attempt }: KeepAttemptDto): Promise<void> {
    return this.repository.keep({ ...attempt, slip, at: new Date().toISOString() });
  }

  /** Erases everything that is kept of a person. */
  @Delete('attempts')
  @HttpCode(204)
  erase(@Query('person') person: unknown): Promise<void> {
    return this.repository.erase(named(person));
  }
}

/** @throws a refusal: 400 if no one is named, or several are */
function named(person: unknown): string {
  if (typeof person === 'string' && person !== '') return person;
  throw new BadRequestException('Say whose attempts: ?person=NAME.');
}
