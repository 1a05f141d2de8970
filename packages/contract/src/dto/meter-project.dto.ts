import type {
  BuiltIn,
  GradePrice,
  MeterProject,
  MovementAsFound,
  MovementMeasurement,
  Scheme,
  Side,
  StockPart,
  WorkshopParts,
} from '@usual-drag/core/workshop';
import { Type } from 'class-transformer';
import { ArrayMinSize, IsBoolean, IsIn, IsNumber, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Id, List, OptionalQuantity, Quantity, Text } from './decorators.ts';
import { MovementDto, PartsDto } from './design.dto.ts';

@Describes<BuiltIn>()
class BuiltInDto {
  @IsIn(['shunt', 'multiplier'], { message: 'must be shunt or multiplier' })
  kind!: 'shunt' | 'multiplier';

  @Quantity('positive')
  resistance!: number;

  @IsIn(['coil', 'meter'], { message: 'must be coil or meter' })
  figuresOf!: 'coil' | 'meter';

  @IsBoolean({ message: 'must be true or false' })
  stays!: boolean;
}

@Describes<MovementAsFound>()
class MovementAsFoundDto {
  @ValidateNested()
  @Type(() => MovementDto)
  figures!: MovementDto;

  @Absent()
  @ValidateNested()
  @Type(() => BuiltInDto)
  builtIn?: BuiltInDto;

  @OptionalQuantity('not-negative')
  swamping?: number;

  @OptionalQuantity('any')
  coilCoefficient?: number;
}

/** Readings from which a movement is found. */
@Describes<MovementMeasurement>()
export class MovementMeasurementDto {
  @IsIn(['half-deflection', 'two-readings'], { message: 'must be half-deflection or two-readings' })
  method!: 'half-deflection' | 'two-readings';

  @Quantity('positive')
  supply!: number;

  @Quantity('not-negative')
  supplyDoubt!: number;

  @Quantity('not-negative')
  deflectionDoubt!: number;

  @Quantity('not-negative')
  tolerance!: number;

  @Quantity('positive')
  series!: number;

  @Quantity('positive')
  deflection!: number;

  @Quantity('positive')
  other!: number;

  @Quantity('positive')
  second!: number;
}

@Describes<Side>()
class SideDto {
  @IsIn(['ammeter', 'voltmeter'], { message: 'must be ammeter or voltmeter' })
  target!: 'ammeter' | 'voltmeter';

  @IsIn(['individual', 'universal', 'string'], { message: 'must be individual, universal or string' })
  scheme!: Scheme;

  @List(most.designRanges)
  @IsNumber({}, { each: true, message: 'must be numbers' })
  ranges!: number[];

  @Absent()
  @IsIn(['movement', 'shunt'], { message: 'must be movement or shunt' })
  across?: 'movement' | 'shunt';
}

@Describes<StockPart>()
class StockPartDto {
  @Quantity('positive')
  resistance!: number;

  @OptionalQuantity('count')
  count?: number;

  @OptionalQuantity('not-negative')
  tolerance?: number;
}

@Describes<GradePrice>()
class GradePriceDto {
  @Quantity('not-negative')
  tolerance!: number;

  @Quantity('not-negative')
  price!: number;
}

@Describes<WorkshopParts>()
class WorkshopPartsDto extends PartsDto {
  @OptionalQuantity('positive')
  limitingVoltage?: number;

  @OptionalQuantity('any')
  coefficient?: number;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  withinRatings?: boolean;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  trimmed?: boolean;

  @Absent()
  @List(most.stock)
  @ValidateNested({ each: true })
  @Type(() => StockPartDto)
  stock?: StockPartDto[];

  @Absent()
  @List(most.stock)
  @ValidateNested({ each: true })
  @Type(() => GradePriceDto)
  prices?: GradePriceDto[];
}

@Describes<NonNullable<MeterProject['fuse']>>()
class SeriesFuseDto {
  @Quantity('positive')
  rating!: number;

  @Quantity('not-negative')
  resistance!: number;
}

@Describes<MeterProject['dial']>()
class DialDto {
  @Quantity('positive')
  radius!: number;

  @Quantity('positive')
  sweep!: number;
}

@Describes<NonNullable<MeterProject['instrument']>>()
class MadeInstrumentDto {
  @Id()
  id!: string;

  @Quantity('count')
  version!: number;
}

/** A meter under way in the workshop, as the server keeps it. */
@Describes<{ [K in keyof MeterProject]: unknown }>()
export class MeterProjectDto {
  @Id()
  id!: string;

  @Absent()
  @Text(most.title)
  title?: string;

  @ValidateNested()
  @Type(() => MovementAsFoundDto)
  movement!: MovementAsFoundDto;

  @Absent()
  @ValidateNested()
  @Type(() => MovementMeasurementDto)
  measurement?: MovementMeasurementDto;

  @Quantity('not-negative')
  movementClass!: number;

  @Quantity('count')
  divisions!: number;

  @List(2)
  @ArrayMinSize(1, { message: 'must have a side' })
  @ValidateNested({ each: true })
  @Type(() => SideDto)
  sides!: SideDto[];

  @ValidateNested()
  @Type(() => WorkshopPartsDto)
  parts!: WorkshopPartsDto;

  @Absent()
  @ValidateNested()
  @Type(() => SeriesFuseDto)
  fuse?: SeriesFuseDto;

  @ValidateNested()
  @Type(() => DialDto)
  dial!: DialDto;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  retired?: boolean;

  @Absent()
  @ValidateNested()
  @Type(() => MadeInstrumentDto)
  instrument?: MadeInstrumentDto;
}
