import { levels, problemKinds, slips, type Attempt, type Level, type Mistake } from '@usual-drag/core/practice';
import { IsBoolean, IsIn, IsInt, IsNumber, IsString, Length, Max, Min } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes } from './decorators.ts';

const kinds = [...problemKinds, 'fault-hunt'] as const satisfies Attempt['kind'][];

/** Result of a problem, to be stored. */
@Describes<Omit<Attempt, 'slip'> & { slip?: Mistake | null; id: string }>()
export class KeepAttemptDto {
  /** Made by the page: the same one again is the same attempt. */
  @IsString({ message: 'must be text' })
  @Length(8, most.word, { message: `must have 8 to ${most.word} characters` })
  id!: string;

  @IsString({ message: 'must be text' })
  @Length(1, most.word, { message: `must be a name of 1 to ${most.word} characters` })
  person!: string;

  @IsIn(kinds, { message: `must be one of ${kinds.join(', ')}` })
  kind!: Attempt['kind'];

  @IsIn(levels, { message: 'must be 1, 2 or 3' })
  level!: Level;

  @IsInt({ message: 'must be a whole number' })
  @Min(Number.MIN_SAFE_INTEGER)
  @Max(Number.MAX_SAFE_INTEGER)
  seed!: number;

  @IsBoolean({ message: 'must be true or false' })
  right!: boolean;

  @Absent()
  @IsIn(slips, { message: `must be one of ${slips.join(', ')}` })
  slip?: Mistake | null;

  @IsInt({ message: 'must be a whole number' })
  @Min(0, { message: 'must not be below zero' })
  @Max(1000, { message: 'must be 1000 at most' })
  hints!: number;

  @IsNumber({}, { message: 'must be a number' })
  @Min(0, { message: 'must not be below zero' })
  @Max(1e6, { message: 'must be a million at most' })
  seconds!: number;
}
