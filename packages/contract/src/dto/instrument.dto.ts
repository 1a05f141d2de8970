import { rangeLimits, type MeterQuantity } from '@usual-drag/core';
import { Type } from 'class-transformer';
import { IsArray, IsIn, ValidateNested } from 'class-validator';
import { Absent, Id, OptionalQuantity, Quantity, Text } from './decorators.ts';

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
  @Text()
  jack?: string;

  @OptionalQuantity(rangeLimits.fuse)
  fuse?: number;
}

class VoltageRangeDto extends RangeDto {
  @Quantity('positive')
  resistance!: number;
}

class CurrentRangeDto extends RangeDto {
  @Quantity('not-negative')
  resistance!: number;
}

export class FunctionDto {
  @IsIn(meterQuantities, { message: `must be one of ${meterQuantities.join(', ')}` })
  quantity!: MeterQuantity;
}

class VoltageFunctionDto extends FunctionDto {
  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => VoltageRangeDto)
  ranges!: VoltageRangeDto[];
}

class CurrentFunctionDto extends FunctionDto {
  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => CurrentRangeDto)
  ranges!: CurrentRangeDto[];
}

export const functionSubTypes = [
  { value: VoltageFunctionDto, name: 'dc-voltage' },
  { value: CurrentFunctionDto, name: 'dc-current' },
];

export class InstrumentDto {
  @Id()
  id!: string;

  @Absent()
  @Text()
  name?: string;

  @Absent()
  @IsIn(['analogue', 'digital'], { message: 'must be analogue or digital' })
  display?: 'analogue' | 'digital';

  @Absent()
  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => FunctionDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'quantity', subTypes: functionSubTypes },
  })
  functions?: FunctionDto[];
}
