import { seriesNames, type Series } from '@usual-drag/core/quantity';
import type { Design, MovementFigures, PartsChoice, Scheme } from '@usual-drag/core/workshop';
import { Type } from 'class-transformer';
import { Equals, IsIn, IsNumber, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, List, OptionalQuantity, Quantity, Text } from './decorators.ts';

/** Figures of a movement. */
@Describes<MovementFigures>()
export class MovementDto {
  @OptionalQuantity('positive')
  fullScaleCurrent?: number;

  @OptionalQuantity('positive')
  resistance?: number;

  @OptionalQuantity('positive')
  fullScaleVoltage?: number;
}

/** The choice of parts for a design. */
@Describes<PartsChoice>()
export class PartsDto {
  @IsIn(seriesNames, { message: `must be one of ${seriesNames.join(', ')}` })
  series!: Series;

  @Quantity('not-negative')
  tolerance!: number;

  @Quantity('positive')
  powerRating!: number;

  @Quantity('count')
  maxParts!: number;
}

/** A design file, `*.design.json`. */
@Describes<Design>()
export class DesignDto {
  @Equals('usual-drag/design', { message: 'must be usual-drag/design' })
  format!: 'usual-drag/design';

  @Equals(1, { message: 'must be 1' })
  version!: 1;

  @Absent()
  @Text(most.title)
  title?: string;

  @IsIn(['ammeter', 'voltmeter'], { message: 'must be ammeter or voltmeter' })
  target!: 'ammeter' | 'voltmeter';

  @ValidateNested()
  @Type(() => MovementDto)
  movement!: MovementDto;

  @IsIn(['individual', 'universal', 'string'], { message: 'must be individual, universal or string' })
  scheme!: Scheme;

  @List(most.designRanges)
  @IsNumber({}, { each: true, message: 'must be numbers' })
  ranges!: number[];

  @Absent()
  @ValidateNested()
  @Type(() => PartsDto)
  parts?: PartsDto;
}
