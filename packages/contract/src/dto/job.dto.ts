import type { ResistorValues } from '@usual-drag/core';
import { Type } from 'class-transformer';
import { ArrayMinSize, Equals, IsArray, IsIn, ValidateNested } from 'class-validator';
import { Absent, Name, Text, valueRule } from './decorators.ts';
import { ElementDto, elementSubTypes } from './element.dto.ts';
import { InstrumentDto } from './instrument.dto.ts';
import { SetupDto } from './setup.dto.ts';

export class NetworkDto {
  @Absent()
  @Name()
  reference?: string;

  @Absent()
  @IsIn(['nominal', 'measured'], { message: 'must be nominal or measured' })
  values?: ResistorValues;

  @IsArray({ message: 'must be a list' })
  @ArrayMinSize(1, { ...valueRule, message: 'must have at least one part' })
  @ValidateNested({ each: true })
  @Type(() => ElementDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'kind', subTypes: elementSubTypes },
  })
  elements!: ElementDto[];
}

/** A job file, `*.job.json`. */
export class JobDto {
  @Equals('usual-drag/job', { message: 'must be usual-drag/job' })
  format!: 'usual-drag/job';

  @Equals(1, { message: 'must be 1' })
  version!: 1;

  @Absent()
  @Text()
  title?: string;

  @ValidateNested()
  @Type(() => NetworkDto)
  network!: NetworkDto;

  @Absent()
  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => InstrumentDto)
  instruments?: InstrumentDto[];

  @Absent()
  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => SetupDto)
  setups?: SetupDto[];
}
