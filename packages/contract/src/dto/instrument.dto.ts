import { rangeLimits } from '@usual-drag/core/network';
import {
  kitLimits,
  type Instrument,
  type MeterFunction,
  type MeterQuantity,
  type Range,
  type RangeCalibration,
  type Rate,
  type ReadingQuantity,
  type ResistanceFunction,
  type ResistanceRange,
} from '@usual-drag/core/instrument';
import { Type } from 'class-transformer';
import { ArrayMinSize, IsIn, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Id, List, OptionalQuantity, Quantity, Text, valueRule } from './decorators.ts';

/** Quantities that load the circuit. */
export const meterQuantities = ['dc-voltage', 'dc-current'] as const satisfies MeterQuantity[];
/** Quantities that can be read. */
export const readingQuantities = [...meterQuantities, 'resistance'] as const satisfies ReadingQuantity[];

class CalibrationPointDto {
  @Quantity('any')
  applied!: number;

  @Quantity('any')
  indicated!: number;
}

@Describes<RangeCalibration>()
class RangeCalibrationDto {
  @Text(most.word)
  on!: string;

  @List(most.calibrationPoints)
  @ArrayMinSize(1, { ...valueRule, message: 'must have at least one point' })
  @ValidateNested({ each: true })
  @Type(() => CalibrationPointDto)
  points!: CalibrationPointDto[];

  @Quantity('not-negative')
  uncertainty!: number;
}

@Describes<Rate>()
class RateDto {
  @Id()
  id!: string;

  @Quantity('not-negative')
  counts!: number;
}

/** Keys of every range. */
class AnyRangeDto {
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
  @ValidateNested()
  @Type(() => RangeCalibrationDto)
  calibration?: RangeCalibrationDto;
}

class RangeDto extends AnyRangeDto {
  @OptionalQuantity(rangeLimits.resistanceTolerance)
  resistanceTolerance?: number;

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

/** A range of an ohmmeter. */
@Describes<ResistanceRange>()
export class ResistanceRangeDto extends AnyRangeDto {
  @Quantity(kitLimits.testCurrent)
  testCurrent!: number;
}

/** Keys of an instrument; the ranges of its functions are distinguished by their quantity. */
type InstrumentKeys = Omit<Instrument, 'functions'> & { functions?: FunctionDto[] };

/** A function of an instrument, by its quantity. */
export class FunctionDto {
  @IsIn(readingQuantities, { message: `must be one of ${readingQuantities.join(', ')}` })
  quantity!: ReadingQuantity;
}

@Describes<MeterFunction>()
class VoltageFunctionDto extends FunctionDto {
  declare quantity: MeterQuantity;

  @List(most.ranges)
  @ValidateNested({ each: true })
  @Type(() => VoltageRangeDto)
  ranges!: VoltageRangeDto[];
}

@Describes<MeterFunction>()
class CurrentFunctionDto extends FunctionDto {
  declare quantity: MeterQuantity;

  @List(most.ranges)
  @ValidateNested({ each: true })
  @Type(() => CurrentRangeDto)
  ranges!: CurrentRangeDto[];
}

@Describes<ResistanceFunction>()
class ResistanceFunctionDto extends FunctionDto {
  declare quantity: 'resistance';

  @List(most.ranges)
  @ValidateNested({ each: true })
  @Type(() => ResistanceRangeDto)
  ranges!: ResistanceRangeDto[];
}

/** Class of each function. */
export const functionSubTypes = [
  { value: VoltageFunctionDto, name: 'dc-voltage' },
  { value: CurrentFunctionDto, name: 'dc-current' },
  { value: ResistanceFunctionDto, name: 'resistance' },
];

/** An instrument as a job has it. */
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

  @Absent()
  @List(most.rates)
  @ValidateNested({ each: true })
  @Type(() => RateDto)
  rates?: RateDto[];
}
