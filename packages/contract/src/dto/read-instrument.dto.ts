import type { ReadingQuantity } from '@usual-drag/core/instrument';
import { IsIn, IsObject } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Id, Text } from './decorators.ts';
import { readingQuantities } from './instrument.dto.ts';

/** Reading to be taken from an instrument of the kit. Its address comes from the kit, never from a request. */
export class ReadInstrumentDto {
  @IsIn(readingQuantities, { message: `must be one of ${readingQuantities.join(', ')}` })
  quantity!: ReadingQuantity;

  /** Id of the range to be set. */
  @Id()
  range!: string;

  /** For a simulated instrument: the job in whose circuit its leads are put, and where. */
  @Absent()
  @Text(most.word)
  jobId?: string;

  @Absent()
  @IsObject({ message: 'must be a place of a reading' })
  place?: object;
}
