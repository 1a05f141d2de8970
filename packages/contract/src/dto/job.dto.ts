import type { Network, ResistorValues } from '@usual-drag/core/network';
import { jobVersions, type Job, type JobVersion } from '@usual-drag/core/job';
import { Type } from 'class-transformer';
import { ArrayMinSize, Equals, IsIn, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, List, Name, Text, valueRule } from './decorators.ts';
import { BoardDto } from './board.dto.ts';
import { ElementDto, elementSubTypes } from './element.dto.ts';
import { InstrumentDto } from './instrument.dto.ts';
import { JobRecordDto } from './job-record.dto.ts';
import { ConventionsDto, ReadingDto, readingSubTypes } from './reading.dto.ts';
import { SetupDto } from './setup.dto.ts';
import { SweepDto } from './sweep.dto.ts';

/** A network of a job. */
@Describes<Omit<Network, 'elements'> & { elements: ElementDto[] }>()
export class NetworkDto {
  @Absent()
  @Name()
  reference?: string;

  @Absent()
  @IsIn(['nominal', 'measured'], { message: 'must be nominal or measured' })
  values?: ResistorValues;

  @List(most.elements)
  @ArrayMinSize(1, { ...valueRule, message: 'must have at least one part' })
  @ValidateNested({ each: true })
  @Type(() => ElementDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'kind', subTypes: elementSubTypes },
  })
  elements!: ElementDto[];
}

/** A job file, `*.job.json`. */
@Describes<{ [K in keyof Job]: unknown }>()
export class JobDto {
  @Equals('usual-drag/job', { message: 'must be usual-drag/job' })
  format!: 'usual-drag/job';

  @IsIn(jobVersions, { message: 'must be 1, 2 or 3' })
  version!: JobVersion;

  @Absent()
  @Text(most.title)
  title?: string;

  @Absent()
  @ValidateNested()
  @Type(() => JobRecordDto)
  record?: JobRecordDto;

  @ValidateNested()
  @Type(() => NetworkDto)
  network!: NetworkDto;

  @Absent()
  @List(most.instruments)
  @ValidateNested({ each: true })
  @Type(() => InstrumentDto)
  instruments?: InstrumentDto[];

  @Absent()
  @List(most.setups)
  @ValidateNested({ each: true })
  @Type(() => SetupDto)
  setups?: SetupDto[];

  @Absent()
  @ValidateNested()
  @Type(() => ConventionsDto)
  conventions?: ConventionsDto;

  @Absent()
  @List(most.readings)
  @ValidateNested({ each: true })
  @Type(() => ReadingDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'quantity', subTypes: readingSubTypes },
  })
  readings?: ReadingDto[];

  @Absent()
  @List(most.sweeps)
  @ValidateNested({ each: true })
  @Type(() => SweepDto)
  sweeps?: SweepDto[];

  @Absent()
  @ValidateNested()
  @Type(() => BoardDto)
  board?: BoardDto;
}
