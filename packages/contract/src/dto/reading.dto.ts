import type { ReadingQuantity } from '@usual-drag/core/instrument';
import {
  shownPattern,
  unitPattern,
  type Conventions,
  type CurrentReading,
  type Observation,
  type ResistanceReading,
  type VoltageReading,
} from '@usual-drag/core/readings';
import { Type } from 'class-transformer';
import { ArrayMinSize, IsBoolean, IsIn, IsString, Matches, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Ends, Id, List, Name, Text, valueRule } from './decorators.ts';
import { readingQuantities } from './instrument.dto.ts';
import { MeterDto, meterSubTypes } from './setup.dto.ts';

/** One look at a display: its text and its unit. */
@Describes<Observation>()
export class ObservationDto {
  @IsString({ message: 'must be text' })
  @Matches(shownPattern, {
    ...valueRule,
    message: 'must be the display as it stood: digits with an optional sign and point, or OL',
  })
  shown!: string;

  @IsString({ message: 'must be text' })
  @Matches(unitPattern, {
    ...valueRule,
    message: 'must be V, A or Ω, with a prefix n, µ, m, k, M or G where it has one',
  })
  unit!: string;

  @Absent()
  @Text(most.word)
  at?: string;
}

class StruckDto {
  @Absent()
  @Text(most.word)
  at?: string;

  @Text(most.notes)
  why!: string;
}

/** Keys of a type; a list distinguished by a key is described by the classes of its members. */
type Keys<Core> = { [K in keyof Core]: unknown };

/** Keys of every reading. */
export class ReadingDto<Quantity extends ReadingQuantity = ReadingQuantity> {
  @Name()
  id!: string;

  @IsIn(readingQuantities, { message: `must be one of ${readingQuantities.join(', ')}` })
  quantity!: Quantity;

  @Id()
  instrument!: string;

  @Id()
  range!: string;

  @Absent()
  @List(most.meters)
  @ValidateNested({ each: true })
  @Type(() => MeterDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'quantity', subTypes: meterSubTypes },
  })
  alongside?: MeterDto[];

  @List(most.observations)
  @ArrayMinSize(1, { ...valueRule, message: 'must have at least one observation' })
  @ValidateNested({ each: true })
  @Type(() => ObservationDto)
  observations!: ObservationDto[];

  @Absent()
  @Id()
  scale?: string;

  @Absent()
  @Id()
  rate?: string;

  @Absent()
  @Text(most.title)
  by?: string;

  @Absent()
  @Text(most.notes)
  note?: string;

  @Absent()
  @IsIn(['typed', 'instrument'], { message: 'must be typed or instrument' })
  source?: 'typed' | 'instrument';

  @Absent()
  @ValidateNested()
  @Type(() => StruckDto)
  struck?: StruckDto;
}

@Describes<Keys<VoltageReading>>()
class VoltageReadingDto extends ReadingDto<'dc-voltage'> {
  @Name()
  red!: string;

  @Name()
  black!: string;

  @Absent()
  @Name()
  unloaded?: string;
}

@Describes<Keys<CurrentReading>>()
class CurrentReadingDto extends ReadingDto<'dc-current'> {
  @Name()
  node!: string;

  @Ends()
  ends!: string[];

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  reversed?: boolean;
}

@Describes<Keys<ResistanceReading>>()
class ResistanceReadingDto extends ReadingDto<'resistance'> {
  @Name()
  element!: string;
}

/** Class of each kind of reading. */
export const readingSubTypes = [
  { value: VoltageReadingDto, name: 'dc-voltage' },
  { value: CurrentReadingDto, name: 'dc-current' },
  { value: ResistanceReadingDto, name: 'resistance' },
];

const oneOf = (values: readonly string[]): PropertyDecorator =>
  IsIn(values, { message: `must be one of ${values.join(', ')}` });

/** Conventions of taking and comparing a job's readings. */
@Describes<Conventions>()
export class ConventionsDto {
  @Absent()
  @oneOf(['keep', 'magnitude'])
  sign?: Conventions['sign'];

  @Absent()
  @oneOf(['mean', 'largest', 'last'])
  observations?: Conventions['observations'];

  @Absent()
  @oneOf(['conventional', 'electron-flow'])
  current?: Conventions['current'];

  @Absent()
  @oneOf(['highest', 'expected'])
  firstRange?: Conventions['firstRange'];

  @Absent()
  @oneOf(['just-above', 'full'])
  currentLimit?: Conventions['currentLimit'];

  @Absent()
  @oneOf(['meter', 'posts', 'clips', 'rated'])
  supply?: Conventions['supply'];

  @Absent()
  @oneOf(['function-leads-range-placement', 'leads-function-range-placement'])
  checks?: Conventions['checks'];
}
