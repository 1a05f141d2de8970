import type { JobRecord } from '@usual-drag/core/job';
import { most } from '../limits.ts';
import { Absent, Describes, OptionalQuantity, Text } from './decorators.ts';

/** The head of a job, as its file has it and as its form fills it. */
@Describes<JobRecord>()
export class JobRecordDto {
  @Absent()
  @Text(most.title)
  site?: string;

  @Absent()
  @Text(most.title)
  asset?: string;

  @Absent()
  @Text(most.title)
  order?: string;

  @Absent()
  @Text(most.title)
  by?: string;

  @Absent()
  @Text(most.word)
  date?: string;

  @OptionalQuantity('any')
  ambient?: number;

  @Absent()
  @Text(most.notes)
  notes?: string;
}
