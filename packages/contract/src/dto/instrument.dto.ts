import {
  rangeLimits,
  type Instrument,
  type InstrumentFunction,
  type MeterQuantity,
  type Range,
} from '@usual-drag/core';
import { Type } from 'class-transformer';
import { IsIn, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Id, List, OptionalQuantity, Quantity, Text } from './decorators.ts';

export const meterQuantities = ['dc-voltage', 'dc-current'] as const satisfies MeterQuantity[];

class RangeDto {
  @Id()
  id!: string;

  @Quantity(rangeLimits.fullScale)
  fullScale!: number;

  @OptionalQuantity(rangeLimits.resolution)
  resolution?: number;

  @OptionalQuantity(rangeLimits.accuracyOfReading)
  accuracyOfReading?: number;

  @OptionalQuantity(rangeLimits.accuracyCounts)
  accuracyCounts?: number;

  @OptionalQuantity(rangeLimits.accuracyOfRange)
  accuracyOfRange?: number;

  @OptionalQuantity(rangeLimits.divisions)
  divisions?: number;

  @Absent()
  @Text(most.word)
  jack?: string;

  @OptionalQuantity(rangeLimits.fuse)
  fuse?: number;
}

@Describes<Range>()
class VoltageRangeDto extends RangeDto {
  @Quantity('positive')
  resistance!: number;
}

@Describes<Range>()
class CurrentRangeDto extends RangeDto {
  @Quantity('not-negative')
  resistance!: number;
}

/** An instrument, its functions' ranges told apart by their quantity. */
type InstrumentKeys = Omit<Instrument, 'functions'> & { functions?: FunctionDto[] };

export class FunctionDto {
  @IsIn(meterQuantities, { message: `must be one of ${meterQuantities.join(', ')}` })
  quantity!: MeterQuantity;
}

@Describes<InstrumentFunction>()
class VoltageFunctionDto extends FunctionDto {
  @List(most.ranges)
  @ValidateNested({ each: true })
  @Type(() => VoltageRangeDto)
  ranges!: VoltageRangeDto[];
}

@Describes<InstrumentFunction>()
class CurrentFunctionDto extends FunctionDto {
  @List(most.ranges)
  @ValidateNested({ each: true })
  @Type(() => CurrentRangeDto)
  ranges!: CurrentRangeDto[];
}

export const functionSubTypes = [
  { value: VoltageFunctionDto, name: 'dc-voltage' },
  { value: CurrentFunctionDto, name: 'dc-current' },
];

@Describes<InstrumentKeys>()
export class InstrumentDto {
  @Id()
  id!: string;

  @Absent()
  @Text(most.title)
  name?: string;

  @Absent()
  @IsIn(['analogue', 'digital'], { message: 'must be analogue or digital' })
  display?: 'analogue' | 'digital';

  @Absent()
  @List(most.functions)
  @ValidateNested({ each: true })
  @Type(() => FunctionDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'quantity', subTypes: functionSubTypes },
  })
  functions?: FunctionDto[];
}
