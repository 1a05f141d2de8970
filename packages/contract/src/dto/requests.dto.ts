import { ArrayMinSize, IsObject, IsOptional } from 'class-validator';
import { most } from '../limits.ts';
import { List, Revision } from './decorators.ts';
import type { JobDto } from './job.dto.ts';
import type { KitInstrumentDto } from './kit.dto.ts';
import type { MeterProjectDto } from './meter-project.dto.ts';
import type { ReadingDto } from './reading.dto.ts';

/** A new job. Its document is checked against the published schema of a job file. */
export class CreateJobDto {
  @IsObject({ message: 'must be a job' })
  document!: JobDto;
}

/** A job as edited, and the revision that the edit was based on. */
export class SaveJobDto extends CreateJobDto {
  @Revision(1)
  revision!: number;
}

/** Readings that were added to a job or changed in it, and the revision they are based on. Each is checked with the job's schema. */
export class SaveReadingsDto {
  @Revision(1)
  revision!: number;

  @List(most.readings)
  @ArrayMinSize(1, { message: 'must contain a reading' })
  readings!: ReadingDto[];
}

/** Keys of a save beside its document. */
class SaveDto {
  /** That the edit was based on; left out if it is new. */
  @IsOptional()
  @Revision(0)
  revision?: number;
}

/** An instrument of the kit. */
export class SaveInstrumentDto extends SaveDto {
  @IsObject({ message: 'must be an instrument' })
  document!: KitInstrumentDto;
}

/** A meter being designed. */
export class SaveMeterProjectDto extends SaveDto {
  @IsObject({ message: 'must be a meter project' })
  document!: MeterProjectDto;
}

/** A version that was not taken, for the history of its document. */
export class KeepVersionDto {
  /** That it was an edit of. */
  @Revision(0)
  revision!: number;

  @IsObject({ message: 'must be a document' })
  document!: object;
}
