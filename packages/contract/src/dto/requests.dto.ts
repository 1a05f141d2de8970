import { IsInt, IsObject, IsOptional, Min } from 'class-validator';
import type { JobDto } from './job.dto.ts';
import type { KitInstrumentDto } from './kit.dto.ts';
import type { MeterProjectDto } from './meter-project.dto.ts';

/** A new job. Its document is checked against the published schema of a job file. */
export class CreateJobDto {
  @IsObject({ message: 'must be a job' })
  document!: JobDto;
}

/** A job as edited, and the revision that the edit was based on. */
export class SaveJobDto extends CreateJobDto {
  @IsInt({ message: 'must be the revision that was edited, a whole number' })
  @Min(1, { message: 'must be 1 or more' })
  revision!: number;
}

/** What a save says beside its document. */
class SaveDto {
  /** That the edit was based on; left out where it is new. */
  @IsOptional()
  @IsInt({ message: 'must be the revision that was edited, a whole number' })
  @Min(0, { message: 'must be 0 or more' })
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
  @IsInt({ message: 'must be the revision that was edited, a whole number' })
  @Min(0, { message: 'must be 0 or more' })
  revision!: number;

  @IsObject({ message: 'must be a document' })
  document!: object;
}
