import { kitLimits, type AutoRange, type KitInstrument } from '@usual-drag/core/instrument';
import type { Kit } from '@usual-drag/core/job';
import { Type } from 'class-transformer';
import { Equals, IsBoolean, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, List, OptionalQuantity, Quantity, Text } from './decorators.ts';
import { InstrumentDto, ResistanceRangeDto } from './instrument.dto.ts';

@Describes<AutoRange>()
class AutoRangeDto {
  @Quantity(kitLimits.up)
  up!: number;

  @Quantity(kitLimits.down)
  down!: number;
}

/** An instrument of the kit. */
@Describes<{ [K in keyof KitInstrument]: unknown }>()
export class KitInstrumentDto extends InstrumentDto {
  @Absent()
  @List(most.ranges)
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
  @Text(most.word)
  assetTag?: string;

  @Absent()
  @Text(most.address)
  address?: string;

  @Absent()
  @Text(most.notes)
  notes?: string;

  @Absent()
  @Text(most.word)
  calibratedOn?: string;

  @Absent()
  @Text(most.label)
  laboratory?: string;

  @Absent()
  @Text(most.word)
  certificateNumber?: string;

  @OptionalQuantity(kitLimits.calibrationMonths)
  calibrationMonths?: number;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  retired?: boolean;
}

/** A kit file, `*.kit.json`. */
@Describes<{ [K in keyof Kit]: unknown }>()
export class KitDto {
  @Equals('usual-drag/kit', { message: 'must be usual-drag/kit' })
  format!: 'usual-drag/kit';

  @Equals(1, { message: 'must be 1' })
  version!: 1;

  @List(most.instruments)
  @ValidateNested({ each: true })
  @Type(() => KitInstrumentDto)
  instruments!: KitInstrumentDto[];
}
