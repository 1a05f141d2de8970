import { kitLimits, rangeLimits } from '@usual-drag/core';
import { Type } from 'class-transformer';
import { Equals, IsArray, IsBoolean, ValidateNested } from 'class-validator';
import { Absent, Id, OptionalQuantity, Quantity, Text } from './decorators.ts';
import { InstrumentDto } from './instrument.dto.ts';

class ResistanceRangeDto {
  @Id()
  id!: string;

  @Quantity(rangeLimits.fullScale)
  fullScale!: number;

  @Quantity(kitLimits.testCurrent)
  testCurrent!: number;

  @OptionalQuantity(rangeLimits.resolution)
  resolution?: number;

  @OptionalQuantity(rangeLimits.accuracyOfReading)
  accuracyOfReading?: number;

  @OptionalQuantity(rangeLimits.accuracyCounts)
  accuracyCounts?: number;

  @OptionalQuantity(rangeLimits.accuracyOfRange)
  accuracyOfRange?: number;
}

class AutoRangeDto {
  @Quantity(kitLimits.up)
  up!: number;

  @Quantity(kitLimits.down)
  down!: number;
}

/** An instrument on the shelf. */
export class KitInstrumentDto extends InstrumentDto {
  @Absent()
  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => ResistanceRangeDto)
  resistanceRanges?: ResistanceRangeDto[];

  @Absent()
  @ValidateNested()
  @Type(() => AutoRangeDto)
  autoRange?: AutoRangeDto;

  @OptionalQuantity(kitLimits.leadResistance)
  leadResistance?: number;

  @OptionalQuantity(kitLimits.contactResistance)
  contactResistance?: number;

  @Absent()
  @Text()
  assetTag?: string;

  @Absent()
  @Text()
  notes?: string;

  @Absent()
  @Text()
  calibratedOn?: string;

  @OptionalQuantity(kitLimits.calibrationMonths)
  calibrationMonths?: number;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  retired?: boolean;
}

/** A kit file, `*.kit.json`. */
export class KitDto {
  @Equals('usual-drag/kit', { message: 'must be usual-drag/kit' })
  format!: 'usual-drag/kit';

  @Equals(1, { message: 'must be 1' })
  version!: 1;

  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => KitInstrumentDto)
  instruments!: KitInstrumentDto[];
}
